import assert from 'node:assert/strict'
import test from 'node:test'
import { endAt, followEnd } from '../../resources/js/reading/reader/loan-end.js'

const HOUR = 3_600_000
const texts = { look_ends: 'ten minutes', keep_longer: 'longer', stay: 'stay', offline: 'no network' }

/** A short look that began at 0; what is said and done is written down. */
const look = (t, answer, longer = '/loans/1/longer') => {
    t.mock.timers.enable({ apis: ['setTimeout', 'Date'], now: 0 })
    const did = []
    const asked = t.mock.method(globalThis, 'fetch', async (address, { method }) => {
        did.push(`${method} ${address}`)
        return answer()
    })
    let acts = []
    const say = (text, ...of) => {
        did.push(text)
        acts = of
    }
    followEnd({ due: HOUR, longer, token: 'x', texts }, () => did.push('ended'), say)
    return { did, asked, press: () => acts[0][1]() }
}

test('ten minutes before its end a short look says so, and is kept longer', async t => {
    const { did, press } = look(t, () => ({ ok: true, json: async () => ({ said: 'kept', due: 14 * 24 * HOUR }) }))
    t.mock.timers.tick(49 * 60_000)
    assert.deepEqual(did, [])
    t.mock.timers.tick(60_000)
    assert.deepEqual(did, ['ten minutes'])
    await press()
    t.mock.timers.tick(HOUR)
    assert.deepEqual(did, ['ten minutes', 'POST /loans/1/longer', 'kept'], 'it does not end as it would have')
    t.mock.timers.tick(14 * 24 * HOUR)
    assert.equal(did.at(-1), 'ended')
})

test('where others wait, or there is no network, it says so and ends', async t => {
    let answer = () => ({ ok: false, json: async () => ({ message: 'others wait' }) })
    const { did, press } = look(t, () => answer())
    t.mock.timers.tick(50 * 60_000)
    await press()
    assert.equal(did.at(-1), 'others wait')
    t.mock.timers.tick(10 * 60_000)
    assert.equal(did.at(-1), 'ended')
    answer = () => Promise.reject(new Error('gone'))
    followEnd(
        { due: Date.now() + 1000, longer: '/loans/1/longer', token: 'x', texts },
        () => {},
        (text, [, act]) => {
            did.push(text)
            act?.()
        },
    )
    t.mock.timers.tick(0)
    await new Promise(done => setImmediate(done))
    assert.equal(did.at(-1), 'no network')
})

test('a loan of days says nothing before its end, and what has no end has none', t => {
    const { did } = look(t, () => null, null)
    t.mock.timers.tick(HOUR - 1)
    assert.deepEqual(did, [])
    t.mock.timers.tick(1)
    assert.deepEqual(did, ['ended'])
    assert.equal(
        endAt(null, () => did.push('never')),
        undefined,
    )
    endAt(Date.now() + 2 ** 40, () => did.push('too soon'))
    t.mock.timers.tick(1000)
    assert.deepEqual(did, ['ended'])
})
