// Find in book: every place that has the words, by chapter, with what stands around them; from one to the next.
// Case, accents and the width of spaces make no difference.

import { element } from './element.js'
import { fill } from './notice.js'
import { pathOf } from './whereabouts.js'

const AROUND = 48
/** Documents that are fetched at once. */
const AHEAD = 6
const SHORTEST = 2
/** More than anybody steps through; beyond it only a longer query helps. */
const MOST = 500

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

export class Find {
    #places = []
    #at = -1
    #run = 0

    /**
     * @param {{view: HTMLElement, texts: object, form: HTMLFormElement, answer: HTMLElement, list: HTMLElement,
     * steps: HTMLElement, go: (cfi: string) => void}} of
     */
    constructor(of) {
        Object.assign(this, of)
        this.form.addEventListener('submit', event => {
            event.preventDefault()
            const query = this.form.elements.words.value.trim().replace(/\s+/g, ' ')
            if (query === this.query && this.#places.length) this.step(1)
            else this.find(query)
        })
        this.steps.querySelector('[data-step="-1"]').onclick = () => this.step(-1)
        this.steps.querySelector('[data-step="1"]').onclick = () => this.step(1)
    }

    clear() {
        for (const { cfi } of this.#places) this.view.deleteAnnotation({ value: cfi }).catch(() => {})
        this.#places = []
        this.#at = -1
        this.list.replaceChildren()
        this.steps.hidden = true
        this.answer.textContent = ''
        this.query = null
    }

    async find(query) {
        const run = ++this.#run
        this.clear()
        if (query.length < SHORTEST) {
            this.answer.textContent = this.texts.find_too_short
            return
        }
        this.query = query
        let [chapters, missing] = [0, 0]
        const sections = this.view.book.sections
        const read = sections
            .map((section, index) => ({ section, index }))
            .filter(({ section: s }) => s.linear !== 'no')
        // While one is looked through, the next are on their way.
        const coming = []
        const fetchNext = () => {
            const next = read.shift()
            if (next?.section.createDocument) coming.push({ index: next.index, doc: this.#document(next.section) })
            else if (next) fetchNext()
        }
        for (let n = 0; n < AHEAD; n++) fetchNext()
        for (let next = coming.shift(); next; next = coming.shift()) {
            const { index } = next
            this.answer.textContent = fill(this.texts.finding, { part: Math.round((100 * index) / sections.length) })
            const doc = await next.doc
            if (run !== this.#run) return
            fetchNext()
            if (!doc) {
                missing++
                continue
            }
            const found = placesIn(doc, query).slice(0, MOST - this.#places.length)
            if (!found.length) continue
            chapters++
            this.#show(index, found)
            if (this.#places.length >= MOST) break
        }
        const number = this.#places.length
        this.answer.textContent = fill(this.#outcome(number, chapters), { number, chapters, words: query })
        if (missing) this.answer.textContent += ` ${fill(this.texts.find_missing, { number: missing })}`
        this.steps.hidden = number < 2
    }

    /** @returns {Promise<Document|null>} null where it does not come */
    async #document(section) {
        try {
            await this.view.book.together?.fetch(pathOf(section))
            return await section.createDocument()
        } catch {
            return null
        }
    }

    /** What was found, in words. */
    #outcome(number, chapters) {
        const { texts, view } = this
        if (number === 0) return texts.found_none
        if (number === 1) return texts.found_one
        if (number >= MOST) return texts.found_many
        if (view.isFixedLayout) return chapters === 1 ? texts.found_on_one : texts.found_pages
        return chapters === 1 ? texts.found_in_one : texts.found
    }

    #show(index, found) {
        const name = this.view.getProgressOf(index, null)?.tocItem?.label
        const items = found.map(({ range, before, match, after }) => {
            const cfi = this.view.getCFI(index, range)
            const number = this.#places.length
            const button = element(
                'button',
                { type: 'button', className: 'found' },
                before,
                element('mark', { textContent: match }),
                after,
            )
            button.onclick = () => this.#goTo(number)
            this.#places.push({ cfi, button })
            this.view.addAnnotation({ value: cfi, found: true }).catch(() => {})
            return element('li', {}, button)
        })
        this.list.append(
            element(
                'li',
                {},
                ...(name ? [element('h3', { textContent: name, className: 'found-in' })] : []),
                element('ol', {}, ...items),
            ),
        )
    }

    step(by) {
        if (this.#places.length) this.#goTo((this.#at + by + this.#places.length) % this.#places.length)
    }

    #goTo(number) {
        this.#places[this.#at]?.button.removeAttribute('aria-current')
        this.#at = number
        const { cfi, button } = this.#places[number]
        button.setAttribute('aria-current', 'true')
        button.scrollIntoView({ block: 'nearest' })
        this.answer.textContent = fill(this.texts.found_at, { number: number + 1, of: this.#places.length })
        this.go(cfi)
    }

    /** What is to be marked in a section that has just come up. */
    inSection(prefix) {
        return this.#places.filter(({ cfi }) => cfi.startsWith(prefix)).map(({ cfi }) => ({ value: cfi, found: true }))
    }
}
