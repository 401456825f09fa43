import assert from 'node:assert/strict'
import { test } from 'node:test'

test('once what is kept was put away for who signed out, the page keeps and sends nothing more', async () => {
    const kept = new Map([
        ['reading-size', '3'],
        ['place:/loans/1/place', JSON.stringify({ locator: { href: 'a', locations: {} }, read_at: 1 })],
    ])
    // As in a browser, its keys are its own.
    globalThis.localStorage = new Proxy(
        {
            getItem: key => kept.get(key) ?? null,
            setItem: (key, value) => kept.set(key, value),
            removeItem: key => kept.delete(key),
        },
        { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
    )
    let leave
    globalThis.addEventListener = (what, act) => what === 'pagehide' && (leave = act)
    globalThis.document = { addEventListener: () => {} }
    globalThis.matchMedia = () => ({ matches: false })
    const sent = []
    globalThis.fetch = async (address, { body }) => {
        sent.push([address, JSON.parse(body).locator.href])
        return { ok: true, status: 200 }
    }
    const { forgetKept, keepReading } = await import('../../resources/js/reading/marks/kept.js')
    const { PlaceKeeper } = await import('../../resources/js/reading/places/place-keeper.js')
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

    forgetKept()
    assert.deepEqual([...kept.keys()].sort(), ['device', 'reading-size'])
    href = 'c'
    leave()
    keeper.keep({ href, locations: {} })
    keepReading('/loans/1/place', { from: 1, to: 2, pages: 1 })
    await keeper.send()
    assert.equal(sent.length, 1)
    assert.deepEqual([...kept.keys()].sort(), ['device', 'reading-size'])
})
