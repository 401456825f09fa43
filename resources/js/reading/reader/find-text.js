// What finding makes of a text: its letters without case, accents and the width of spaces, and where words stand in it.

/** Letters that are shown around a place. */
const AROUND = 48

const BLOCKS =
    'address, article, aside, blockquote, dd, div, dl, dt, figcaption, figure, h1, h2, h3, h4, h5, h6, ' +
    'li, ol, p, pre, section, table, td, th, tr, ul'

/** What counts of a text: the small sigma is one, wherever it stands. */
export const lettersOf = text =>
    text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/g, ' ').replaceAll('ς', 'σ')

const letters = new Map()

/** Each letter is looked at once. */
const foldedLetter = letter => {
    let plain = letters.get(letter)
    if (plain === undefined) {
        plain = lettersOf(letter)
        letters.set(letter, plain)
    }
    return plain
}

/**
 * Where in a text its letters are, of those that count; asked for one after the other.
 *
 * @returns {(wanted: number) => number} the offset of the letter before which so many stand
 */
export const lettersIn = text => {
    let [at, before, afterSpace] = [0, 0, false]
    return wanted => {
        while (at < text.length) {
            const code = text.codePointAt(at)
            const plain = code > 0x20 && code < 0x7f ? 'x' : foldedLetter(String.fromCodePoint(code))
            const counts = plain === ' ' && afterSpace ? 0 : plain.length
            if (before + counts > wanted) break
            before += counts
            if (plain) afterSpace = plain === ' '
            at += code > 0xffff ? 2 : 1
        }
        return at
    }
}

/**
 * The text of a document, and the text nodes it came from; blocks are parted, so that words at their edges do not run
 * together.
 */
const textOf = doc => {
    const nodes = []
    const texts = []
    let length = 0
    let block = null
    let parent = null
    let its = null
    let isRead = true
    const walker = doc.createTreeWalker(doc.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        if (node.parentElement !== parent) {
            parent = node.parentElement
            isRead = !parent.closest('script, style')
            its = parent.closest(BLOCKS)
        }
        if (!isRead) continue
        if (block && its !== block) {
            texts.push('\n')
            length++
        }
        block = its
        nodes.push({ node, start: length })
        texts.push(node.data)
        length += node.data.length
    }
    return { text: texts.join(''), nodes }
}

/** What stands beside a place, without the word that is cut off at its edge. */
const whole = (text, isCut, edge) => (isCut ? text.replace(edge, '… ') : text)

/** @returns {{range: Range, before: string, match: string, after: string}[]} */
export const placesIn = (doc, query) => {
    const { text, nodes } = textOf(doc)
    const plain = lettersOf(text)
    const wanted = lettersOf(query)
    if (!wanted.trim()) return []
    const offsetOf = lettersIn(text)
    // Places come in order, and so do the nodes they are in.
    let n = 0
    const at = offset => {
        while (n > 0 && nodes[n].start > offset) n--
        while (n < nodes.length - 1 && nodes[n + 1].start <= offset) n++
        const { node, start } = nodes[n]
        return [node, Math.min(node.length, offset - start)]
    }
    const places = []
    for (let i = plain.indexOf(wanted); i >= 0; i = plain.indexOf(wanted, i + wanted.length)) {
        const start = offsetOf(i)
        const end = offsetOf(i + wanted.length - 1) + 1
        const range = doc.createRange()
        range.setStart(...at(start))
        // The last letter tells the node: one that ends there, not one that begins there.
        const [node, offset] = at(end - 1)
        range.setEnd(node, Math.min(node.length, offset + 1))
        places.push({
            range,
            before: whole(text.slice(Math.max(0, start - AROUND), start), start > AROUND, /^\S*\s/),
            match: text.slice(start, end),
            after: whole(text.slice(end, end + AROUND), end + AROUND < text.length, /\s\S*$/),
        })
    }
    return places
}

/** What parts lines and words, and in how a document is written what is no text (XML 1.0, 2.5 and 3.1). */
const APART = /\s+|<!--(?:(?!--)[\s\S])*-->|<(?:"[^"<]*"|'[^'<]*'|[^'"<>])*>|&(?:nbsp|#160|#xa0);/gi

/** What may stand for any letter, or hide text as if it were none; and letters that may be written otherwise. */
const HIDES = /&(?!amp;|lt;|gt;|quot;|apos;|nbsp;|#160;|#xa0;)|<!\[CDATA\[/i
const WRITTEN_OTHERWISE = /[&<>"']/

/**
 * Whether a document may have words in it, by how it is written: looking is many times quicker than reading it, and in
 * doubt it is read.
 *
 * @param {string} written XHTML
 */
export const mayHave = (written, query) =>
    WRITTEN_OTHERWISE.test(query) ||
    HIDES.test(written) ||
    lettersOf(written.replace(APART, '')).includes(lettersOf(query).replace(/\s+/g, ''))
