// Notes and bookmarks beside the text where the page leaves room for them, at the height of what they belong to.

import { element } from '../reader/element.js'
import { rangesIn, seenAt } from './on-page.js'

/** Pixels: a sign, what it stands off, what a note needs to be read. */
const SIGN = 28
const APART = 8
const READABLE = 150

export class Beside {
    #frame = 0

    /**
     * @param {{view: HTMLElement, page: HTMLElement, box: HTMLElement, marks: () => object[], open: (mark: object) =>
     *     void, texts: Record<string, string>}} of page: what view and box lie in
     */
    constructor(of) {
        Object.assign(this, of)
        const { view } = this
        view.addEventListener('relocate', () => this.#draw())
        view.addEventListener('load', ({ detail: { doc } }) => {
            // While text is scrolled, signs would stay behind.
            view.renderer.addEventListener('scroll', this.#clear)
            doc.addEventListener('drawn', () => this.#draw())
        })
        addEventListener('resize', this.#clear)
    }

    #clear = () => this.box.replaceChildren()

    /** Marks have changed, one or many at once. */
    draw() {
        cancelAnimationFrame(this.#frame)
        this.#frame = requestAnimationFrame(() => this.#draw())
    }

    #draw() {
        if (!this.view.renderer) return
        this.#clear()
        const { view } = this
        const bounds = view.getBoundingClientRect()
        const page = this.page.getBoundingClientRect()
        const wanted = this.marks().filter(mark => mark.note || !mark.colour)
        const sides = { left: [], right: [] }
        for (const { doc, index } of wanted.length ? view.renderer.getContents() : []) {
            // Beside lines that run downwards there is other text.
            if (!doc?.defaultView || getComputedStyle(doc.body).writingMode !== 'horizontal-tb') continue
            for (const { mark, range } of rangesIn(view, wanted, doc, index ?? view.renderer.index)) {
                const seen = seenAt(range, view, { isPlace: !mark.colour })
                if (!seen) continue
                const { box, block } = seen
                const side = (block.left + block.right) / 2 < (bounds.left + bounds.right) / 2 - 1 ? 'left' : 'right'
                const room =
                    side === 'left' ? block.left - bounds.left - APART * 2 : bounds.right - block.right - APART * 2
                if (room >= SIGN) sides[side].push({ mark, room, block, top: box.top - page.top })
            }
        }
        for (const [side, seen] of Object.entries(sides)) this.#show(side, seen, page)
    }

    #show(side, seen, page) {
        let free = 0
        for (const { mark, room, block, top } of seen.sort((a, b) => a.top - b.top)) {
            const isRead = room >= READABLE && mark.note !== ''
            const sign = element('button', {
                type: 'button',
                className: isRead ? 'beside-note' : `beside-sign${mark.note ? '' : ' is-bookmark'}`,
                title: isRead ? '' : mark.note || mark.label,
                onclick: () => this.open(mark),
            })
            if (isRead) sign.textContent = mark.note
            else sign.ariaLabel = `${mark.note ? this.texts.note : this.texts.bookmark}: ${mark.note || mark.label}`
            sign.dataset.colour = mark.colour ?? ''
            const width = isRead ? Math.min(room, 240) : SIGN
            sign.style.width = `${width}px`
            sign.style.left =
                side === 'left' ? `${block.left - page.left - APART - width}px` : `${block.right - page.left + APART}px`
            sign.style.top = `${Math.max(free, top)}px`
            this.box.append(sign)
            free = Math.max(free, top) + sign.offsetHeight + 4
            // What would not be whole is not there; it is in the list.
            if (free > page.height) sign.remove()
        }
    }
}
