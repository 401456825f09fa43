import assert from 'node:assert/strict'
import { test } from 'node:test'
import { partsOf } from '../../resources/js/reading/reader/voices.js'

test('a text is asked for by sentences, together as far as is quick, and nothing of it is lost', () => {
    assert.deepEqual(partsOf('One. Two! “Three?” Four'), ['One. Two! “Three?” Four'])
    assert.deepEqual(partsOf(''), [])
    assert.deepEqual(partsOf('   '), [])
    const long = `${'A sentence of some words stands here. '.repeat(20)}And ${'on '.repeat(200)}it goes … "Yes." ${'x'.repeat(700)}`
    const parts = partsOf(long)
    assert.equal(parts.join('').replace(/\s/g, ''), long.replace(/\s/g, ''))
    assert.ok(parts.every(part => part.length <= 300))
    assert.ok(parts.length < long.length / 100)
    assert.ok(parts[0].endsWith('here.'))
})

test('texts by lot come whole, in pieces that the library takes', () => {
    let seed = 7
    const lot = n => (seed = (seed * 48271) % 2147483647) % n
    const letters = ['a', 'é', '語', '.', '…', '!', ' ', ' ', '”', '\n', '😀', '-']
    for (let run = 0; run < 300; run++) {
        const text = Array.from({ length: lot(900) }, () => letters[lot(letters.length)]).join('')
        const parts = partsOf(text)
        assert.equal(parts.join('').replace(/\s/g, ''), text.replace(/\s/g, ''))
        assert.ok(parts.every(part => part && part.length <= 600))
    }
})
