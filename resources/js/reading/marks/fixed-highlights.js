// Highlights on fixed pages, where foliate draws none: the browser's own (CSS Custom Highlight API, W3C).

import { element } from '../reader/element.js'
import { rangesIn } from './on-page.js'

export class FixedHighlights {
    /** The documents that are shown, with their sections. */
    #shown = new Map()

    /**
     * @param {{view: HTMLElement, colour: (name: string) => string, marks: () => object[], onPress: (index: number,
     *     range: Range, mark: object) => void}} of
     */
    constructor(of) {
        Object.assign(this, of)
    }

    watch(doc, index) {
        for (const known of this.#shown.keys()) if (!known.defaultView) this.#shown.delete(known)
        this.#shown.set(doc, index)
        // The text of a PDF is there when its page has been drawn.
        doc.addEventListener('drawn', () => this.#draw(doc, index))
        doc.addEventListener(
            'click',
            event => {
                const at = doc.caretRangeFromPoint?.(event.clientX, event.clientY)
                const pressed =
                    at &&
                    this.#ranges(doc, index).find(({ range }) =>
                        range.isPointInRange(at.startContainer, at.startOffset),
                    )
                if (pressed) this.onPress(index, pressed.range, pressed.mark)
            },
            { capture: true },
        )
        this.#draw(doc, index)
    }

    draw() {
        for (const [doc, index] of this.#shown) if (doc.defaultView) this.#draw(doc, index)
    }

    #ranges(doc, index) {
        const highlights = this.marks().filter(mark => mark.colour)
        return rangesIn(this.view, highlights, doc, index)
    }

    #draw(doc, index) {
        const { CSS: css, Highlight } = doc.defaultView
        if (!css?.highlights) return
        css.highlights.clear()
        doc.getElementById('pens')?.remove()
        const byColour = Object.groupBy(this.#ranges(doc, index), ({ mark }) => mark.colour)
        const pens = element('style', {
            id: 'pens',
            textContent: Object.keys(byColour)
                .map(
                    colour =>
                        `::highlight(${colour}) {
                            background-color: color-mix(in srgb, ${this.colour(`--pen-${colour}`)} 55%, transparent);
                        }`,
                )
                .join(''),
        })
        doc.documentElement.append(doc.adoptNode(pens))
        for (const [colour, ranges] of Object.entries(byColour))
            css.highlights.set(colour, new Highlight(...ranges.map(({ range }) => range)))
    }
}
