import assert from 'node:assert/strict'
import { test } from 'node:test'

test('once what is kept was put away for who signed out, the page keeps and sends nothing more', async () => {
    const heard = []
    const kept = new Map([
        ['reading-size', '3'],
        ['place:/loans/1/place', JSON.stringify({ locator: { href: 'a', locations: {} }, read_at: 1 })],
    ])
    // As in a browser, its keys are its own.
    globalThis.localStorage = new Proxy(
        {
            getItem: key => kept.get(key) ?? null,
            setItem: (key, value) => {
                heard.push(key)
                kept.set(key, value)
            },
            removeItem: key => kept.delete(key),
        },
        { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
    )
    let leave, told
    globalThis.addEventListener = (what, act) => {
        if (what === 'pagehide') leave = act
        if (what === 'storage') told = act
    }
    globalThis.document = { addEventListener: () => {} }
    globalThis.matchMedia = () => ({ matches: false })
    const sent = []
    let answer = Promise.resolve()
    globalThis.fetch = async (address, { body }) => {
        sent.push([address, JSON.parse(body).locator?.href ?? JSON.parse(body).note])
        await answer
        return { ok: true, status: 200 }
    }
    const mine = ['device', 'reading-size']
    const keys = () => [...kept.keys()].sort()
    const { isForgotten, keepReading, sendAllKept } = await import('../../resources/js/reading/marks/kept.js')
    const { PlaceKeeper } = await import('../../resources/js/reading/places/place-keeper.js')
    const { Pace } = await import('../../resources/js/reading/places/pace.js')
    let href = 'b'
    const keeper = new PlaceKeeper({
        address: '/loans/1/place',
        token: 't',
        onEnded: () => {},
        onOffline: () => assert.fail('there is a connection'),
        where: () => ({ href, locations: {} }),
    })
    leave()
    await new Promise(setImmediate)
    assert.deepEqual(sent, [['/loans/1/place', 'b']])
    assert.ok(kept.has('last:/loans/1/place'))

    // A place and a mark are on their way while somebody signs out in another window.
    told({ key: 'reading-size' })
    assert.equal(isForgotten(), false)
    kept.clear()
    for (const key of mine) kept.set(key, '3')
    kept.set('marks:/loans/1/marks', JSON.stringify({ a: { note: 'n', changed_at: 1 } }))
    kept.set('read:/loans/1/place', JSON.stringify([{ from: 1, to: 2, pages: 1 }]))
    let answered
    answer = new Promise(done => (answered = done))
    href = 'c'
    leave()
    const all = sendAllKept('t')
    await new Promise(setImmediate)
    // The other window's own copy of the script, as it signs out.
    const here = told
    const other = await import('../../resources/js/reading/marks/kept.js?other')
    heard.length = 0
    other.forgetKept()
    for (const key of heard) here({ key })
    assert.deepEqual([isForgotten(), other.isForgotten()], [true, true])
    assert.deepEqual(keys(), mine)
    answered()
    await all
    await new Promise(setImmediate)
    assert.deepEqual(keys(), mine, 'what was on its way is not written down')

    const before = sent.length
    href = 'd'
    leave()
    keeper.keep({ href, locations: {} })
    keepReading('/loans/1/place', { from: 1, to: 2, pages: 1 })
    await keeper.send()
    let now = 0
    const pace = new Pace(() => now)
    for (let at = 0; at < 5; at++, now += 60_000) pace.turn(at * 1000)
    assert.equal(sent.length, before)
    assert.deepEqual(keys(), mine)
})
