import assert from 'node:assert/strict'
import test from 'node:test'
import { ReadingLog } from '../../resources/js/reading/places/reading-log.js'
import { sendPlace } from '../../resources/js/reading/marks/kept.js'

function device() {
    const store = new Map()
    let hide = () => {}
    globalThis.localStorage = {
        getItem: key => store.get(key) ?? null,
        setItem: (key, value) => store.set(key, value),
        removeItem: key => store.delete(key),
    }
    globalThis.document = { addEventListener: (_, then) => (hide = then) }
    globalThis.matchMedia = () => ({ matches: false })
    const clock = { now: 1_000_000 }
    const log = new ReadingLog('/loans/1/place', () => clock.now)
    return { log, clock, hide: () => hide(), kept: () => JSON.parse(store.get('read:/loans/1/place') ?? '[]') }
}
const minutes = kept => kept.reduce((sum, { from, to }) => sum + (to - from), 0) / 60_000

test('turns a minute apart are minutes read, and pages', () => {
    const { log, clock, kept } = device()
    for (let page = 1; page <= 11; page++, clock.now += 60_000) log.turned(page)
    assert.equal(kept().length, 1)
    assert.equal(minutes(kept()), 10)
    assert.equal(kept()[0].pages, 10)
})

test('a pause counts five minutes, leafing no pages, and a hidden page ends it', () => {
    const { log, clock, kept, hide } = device()
    log.turned(1)
    clock.now += 3_600_000
    log.turned(2)
    assert.equal(minutes(kept()), 5)
    clock.now += 1_000
    log.turned(3)
    assert.equal(
        kept().reduce((sum, of) => sum + of.pages, 0),
        1,
    )
    clock.now += 120_000
    hide()
    clock.now += 3_600_000
    log.turned(4)
    clock.now += 60_000
    log.turned(5)
    assert.ok(Math.abs(minutes(kept()) - (5 + 1 / 60 + 2 + 1)) < 0.01)
})

test('sound counts as at its own speed, jumps and sleep not at all', () => {
    const { log, clock, kept } = device()
    const play = (seconds, speed, from) => {
        for (let n = 0; n <= seconds * 4; n++, clock.now += 250) log.played(from + (n / 4) * speed)
        clock.now -= 250
        log.stopped(from + seconds * speed)
    }
    play(120, 2, 0)
    const sound = () => kept().reduce((sum, of) => sum + of.seconds, 0)
    assert.ok(Math.abs(sound() - 240) < 1, String(sound()))
    log.played(100)
    clock.now += 6_000
    log.played(2_000)
    clock.now += 600_000
    log.played(2_600)
    assert.ok(Math.abs(sound() - 240) < 1, String(sound()))
})

test('what the library took is gone, what came meanwhile is not, and without an answer all of it stays', async () => {
    const { log, clock, kept } = device()
    log.turned(1)
    clock.now += 60_000
    log.turned(2)
    globalThis.fetch = () => Promise.reject(new Error('no network'))
    await assert.rejects(sendPlace('/loans/1/place', 't', { read_at: 1 }))
    assert.equal(minutes(kept()), 1)
    const sent = []
    globalThis.fetch = async (_, { body }) => {
        sent.push(...JSON.parse(body).read)
        clock.now += 60_000
        log.turned(3)
        return { ok: true, status: 204 }
    }
    await sendPlace('/loans/1/place', 't', { read_at: 1 })
    assert.equal(minutes(sent), 1)
    // It went on while it was sent: the library gets the whole sitting once more, and knows what it had.
    assert.equal(minutes(kept()), 2)
    globalThis.fetch = async () => ({ ok: true, status: 204 })
    await sendPlace('/loans/1/place', 't', { read_at: 1 })
    assert.deepEqual(kept(), [])
})
