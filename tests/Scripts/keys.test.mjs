import assert from 'node:assert/strict'
import test from 'node:test'
import { singleKeysAct } from '../../resources/js/account/preferences/keys.js'
import { Keys } from '../../resources/js/reading/reader/keys.js'

test('letters act by themselves until that is turned off; arrows and Escape go on', t => {
    const kept = new Map()
    globalThis.localStorage = { getItem: name => kept.get(name) ?? null }
    t.after(() => delete globalThis.localStorage)
    const did = []
    const keys = new Keys({
        turning: { right: () => did.push('right') },
        drawers: { toggle: name => did.push(name) },
        tools: { selectionKeys: { take: () => false }, closeOne: () => did.push('closed') },
        marks: true,
        leave: () => did.push('left'),
    })
    const press = key => keys.on({ key, target: { localName: 'p' }, preventDefault: () => {} })
    for (const key of ['c', 'ArrowRight']) press(key)
    assert.ok(singleKeysAct())
    kept.set('single-keys', 'off')
    assert.ok(!singleKeysAct())
    for (const key of ['c', 'f', 'm', 'a', 'ArrowRight', 'Escape']) press(key)
    assert.deepEqual(did, ['contents', 'right', 'right', 'closed'])
})
