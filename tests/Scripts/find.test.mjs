import assert from 'node:assert/strict'
import test from 'node:test'
import { DOMParser } from '@xmldom/xmldom'
import { lettersIn, lettersOf, mayHave } from '../../resources/js/reading/reader/find-text.js'

// Accents as one letter and as two, several spaces, both sigmas, syllables, letters outside the first plane, ligatures.
const LETTERS = [...'aAéÉßẞİıΣςσ\u0301\u0308 \n\t\u00a0한글ながが𐐀𝒜ﬁЙй', 'e\u0301', '\u{1d15e}', '  ']

test('what is found is where it is found, in any script', () => {
    for (let tries = 0; tries < 2000; tries++) {
        const text = Array.from({ length: 60 }, () => LETTERS[Math.floor(Math.random() * LETTERS.length)]).join('')
        const plain = lettersOf(text)
        const offsetOf = lettersIn(text)
        for (let at = 0; at < plain.length; at += 1 + Math.floor(Math.random() * 5)) {
            const offset = offsetOf(at)
            const after = offset + String.fromCodePoint(text.codePointAt(offset)).length
            assert.ok(lettersOf(text.slice(0, offset)).length <= at, JSON.stringify(text))
            assert.ok(lettersOf(text.slice(0, after)).length > at, JSON.stringify(text))
        }
    }
})

test('case, accents and the width of spaces make no difference', () => {
    for (const [one, other] of [
        ['Éte\u0301', 'ETE'],
        ['λόγος', 'ΛΟΓΟΣ'],
        // At the end of a word as within one, so that what is begun finds what goes on.
        ['ς', 'σ'],
        ['a \n\u00a0 b', 'A B'],
        ['İ', 'i'],
    ])
        assert.equal(lettersOf(one), lettersOf(other))
})

test('whether words may be in a document is seen by how it is written, and in doubt it is read', () => {
    const may = (written, query) => mayHave(`<?xml version="1.0"?><html><body>${written}</body></html>`, query)
    for (const [written, query] of [
        ['<p>The <b>Fer</b>ry Kitchen</p>', 'FERRY kit'],
        ['<p>end</p><p>start</p>', 'end start'],
        ['<p>A caf\u00e9</p>', 'cafe'],
        ['<p>A cafe\u0301</p>', 'caf\u00e9'],
        ['<p>Caf&eacute;</p>', 'zebra'],
        ['<p>salt&nbsp;cod</p>', 'salt cod'],
        ['<p>salt&#160;&#xA0;cod</p>', 'salt  cod'],
        ['<p>salt &amp; cod</p>', 'salt'],
        ['<p>salt &amp; cod</p>', 'salt & cod'],
        ['<p>the cook&apos;s</p>', "cook's"],
        ['<![CDATA[zebra]]>', 'zebra'],
        ['<p>ze<!-- > or < -->bra</p>', 'zebra'],
        [`<p>ze<b title="a > b" class='"'>bra</b></p>`, 'zebra'],
        ['<p title="a &lt; b">\u03a4\u03ad\u03bb\u03bf\u03c2</p>', '\u03c4\u03b5\u03bb\u03bf\u03c3'],
    ])
        assert.ok(may(written, query), `${query} in ${written}`)
    assert.ok(!may('<p>The Ferry Kitchen</p>', 'zebra'))
    assert.ok(!may('<p class="zebra">Salt &amp; cod &lt; &nbsp;</p>', 'zebra'))
})

test('what is found by reading a document is never passed over by how it is written, by lot', () => {
    // Against xmldom, which reads it (npm @xmldom/xmldom).
    let seed = 20261130
    const lot = n => (seed = (seed * 48271) % 2147483647) % n
    const one = of => of[lot(of.length)]
    const pieces = [
        'lamp', 'Fähre', 'Ἀχιλλεύς', '灯台', 'naïve', 'e\u0301', ' ', '\n  ', '&amp;', '&lt;', '&gt;', '&quot;', '&apos;',
        '&#160;', '&#xA0;', '&#233;', '&#x2019;', '’', '"', "'", '>', '<![CDATA[a < b & lamp]]>', '<!-- lamp > -->',
    ] // prettier-ignore
    const inline = depth => {
        const inner = Array.from({ length: 1 + lot(4) }, () =>
            depth && lot(3) === 0 ? inline(depth - 1) : one(pieces),
        )
        const tag = one(['b', 'i', 'span title="a > b"', 'a href="x?y=1&amp;z=2"'])
        return `<${tag}>${inner.join('')}</${tag.split(' ')[0]}>`
    }
    let looked = 0
    for (let run = 0; run < 600; run++) {
        const body = Array.from({ length: 1 + lot(4) }, () => `<p>${inline(2)}${one(pieces)}</p>`).join(one(['', '\n']))
        const written = `<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"><body>${body}</body></html>`
        const read = new DOMParser().parseFromString(written, 'application/xhtml+xml')
        const text = [...read.getElementsByTagName('p')].map(p => p.textContent).join('\n')
        const letters = [...text]
        const from = lot(letters.length)
        const query = letters
            .slice(from, from + 2 + lot(8))
            .join('')
            .trim()
            .replace(/\s+/g, ' ')
        if (query.length < 2) continue
        looked++
        assert.ok(lettersOf(text).includes(lettersOf(query)), 'a piece of the text is in it')
        assert.ok(mayHave(written, query), `${JSON.stringify(query)} in ${written}`)
    }
    assert.ok(looked > 300)
})
