// The text of fixed pages by itself, article by article, in the size and on the ground that one reads best.

import { element } from './element.js'

/** What is taken over of a page: its blocks of text, in their order, as text. */
const TAGS = ['h1', 'h2', 'h3', 'h4', 'p', 'li', 'blockquote', 'figcaption', 'dt', 'dd', 'pre', 'th', 'td']
const SELECTOR = TAGS.join(', ')

const blocksOf = doc =>
    [...doc.body.querySelectorAll(SELECTOR)]
        .filter(block => !block.querySelector(SELECTOR) && !block.closest('[aria-hidden=true]'))
        .map(block => {
            const text = block.textContent.replace(/\s+/g, ' ').trim()
            return (
                text &&
                element(
                    ['th', 'td', 'dt', 'dd', 'li', 'figcaption'].includes(block.localName) ? 'p' : block.localName,
                    { textContent: text },
                )
            )
        })
        .filter(Boolean)

export class TextView {
    #articles = []
    #at = 0
    /** The pages of the article that is shown. */
    #pages = [1, 1]

    /**
     * @param {{view: HTMLElement, box: HTMLElement, opener: HTMLElement, here: () => number, go: (index: number) =>
     *     void, copy: ((text: string, span: {from: object, to: object}) => void)|null}} of
     *     here and go: sections of the book; copy: from where to where, as Copying has it
     */
    constructor(of) {
        Object.assign(this, of)
        this.opener.onclick = () => this.toggle()
        this.box.addEventListener('copy', event => {
            if (!this.copy) return
            event.preventDefault()
            this.copy(getSelection().toString(), this.#span())
        })
        this.box.querySelector('[data-before]').onclick = () => this.show(this.#at - 1)
        this.box.querySelector('[data-after]').onclick = () => this.show(this.#at + 1)
    }

    /** What is selected, as if the text of the article were spread evenly over its pages. */
    #span() {
        const article = this.box.querySelector('[data-text]')
        const selected = getSelection().getRangeAt(0)
        const before = document.createRange()
        before.selectNodeContents(article)
        const all = before.toString().length || 1
        const [first, last] = this.#pages
        const spot = (node, offset) => {
            before.setEnd(node, offset)
            const pages = Math.min(1, before.toString().length / all) * (last - first + 1)
            const whole = Math.min(last - first, Math.floor(pages))
            return { document: first - 1 + whole, share: pages - whole }
        }
        const { startContainer, startOffset, endContainer, endOffset } = selected
        return { from: spot(startContainer, startOffset), to: spot(endContainer, endOffset) }
    }

    /**
     * The entries of the contents; without any, each page is one.
     *
     * @param {object[]} sections of the publication
     * @param {{label: string, href: string|null, subitems?: object[]|null}[]} toc
     * @param {(href: string) => number|undefined} indexOf the section of an entry
     */
    fill(sections, toc, indexOf) {
        const entries = items => items.flatMap(item => [item, ...entries(item.subitems ?? [])])
        const starts = entries(toc)
            .map(({ label, href }) => ({ label, index: href ? indexOf(href) : undefined }))
            .filter(a => Number.isInteger(a.index))
        this.#articles = starts.length ? starts : sections.map((_, index) => ({ label: '', index }))
    }

    get open() {
        return !this.box.hidden
    }

    toggle() {
        if (!this.open)
            return this.show(
                Math.max(
                    0,
                    this.#articles.findLastIndex(a => a.index <= this.here()),
                ),
            )
        this.box.hidden = true
        this.opener.setAttribute('aria-pressed', 'false')
        this.go(this.#articles[this.#at].index)
        this.opener.focus()
    }

    async show(number) {
        this.#at = Math.min(this.#articles.length - 1, Math.max(0, number))
        const { label, index } = this.#articles[this.#at]
        const end = this.#articles.find(a => a.index > index)?.index ?? this.view.book.sections.length
        this.#pages = [index + 1, end]
        const blocks = []
        for (let section = index; section < end; section++) {
            const doc = await this.view.book.sections[section].createDocument()
            blocks.push(...blocksOf(doc))
        }
        const text = this.box.querySelector('[data-text]')
        text.replaceChildren(
            ...(blocks.some(b => b.localName === 'h1') ? [] : [element('h1', { textContent: label })]),
            ...blocks,
        )
        this.box.querySelector('[data-before]').disabled = this.#at === 0
        this.box.querySelector('[data-after]').disabled = this.#at === this.#articles.length - 1
        this.box.hidden = false
        this.opener.setAttribute('aria-pressed', 'true')
        this.box.scrollTop = 0
        text.focus()
    }
}
