// Find in book: every place that has the words, by chapter, with what stands around them; from one to the next.
// Case, accents and the width of spaces make no difference.

import { element } from './element.js'
import { mayHave, placesIn } from './find-text.js'
import { fill } from './notice.js'
import { pathOf } from './whereabouts.js'

/** Documents that are on their way while one is looked through. */
const AHEAD = 6
const SHORTEST = 2
/** More than anybody steps through; beyond it only a longer query helps. */
const MOST = 500

/** A document that was not read, since the words cannot be in it. */
const NOTHING = Symbol('nothing')

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
            if (next?.section.createDocument)
                coming.push({ index: next.index, doc: this.#document(next.section, query) })
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
            if (doc === NOTHING) continue
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

    /** @returns {Promise<Document|typeof NOTHING|null>} null where it does not come */
    async #document(section, query) {
        try {
            const written = await this.view.book.together?.has(pathOf(section))
            return written !== undefined && !mayHave(written, query) ? NOTHING : await section.createDocument()
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
