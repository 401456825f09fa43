// Selecting by keys: s takes the first word of the page, the arrows go on to another, with Shift they take more, and
// Enter goes to what can be done with it.

const WAYS = {
    ArrowRight: ['forward', 'word'],
    ArrowLeft: ['backward', 'word'],
    ArrowDown: ['forward', 'line'],
    ArrowUp: ['backward', 'line'],
}

export class SelectionKeys {
    /** What the page shows, and whether something is being selected. */
    #range = null
    #selects = false

    /** @param {HTMLElement} view @param {import('./selection.js').Selection} selection */
    constructor(view, selection) {
        Object.assign(this, { view, selection })
        view.addEventListener('relocate', ({ detail }) => {
            this.#range = detail.range
        })
    }

    /** @returns whether the key was for this */
    take({ key, shiftKey }) {
        const { doc } = this.view.renderer?.getContents().at(-1) ?? {}
        const selection = doc?.getSelection()
        if (!selection) return false
        if (key === 's') return this.#begin(doc, selection)
        if (!this.#selects || selection.isCollapsed) return false
        if (key === 'Enter') {
            this.selection.focus()
            return true
        }
        if (!WAYS[key]) return false
        const way = [...WAYS[key]]
        if (!shiftKey && way[0] === 'forward') selection.collapseToEnd()
        else if (!shiftKey) {
            selection.collapseToStart()
            selection.modify('move', ...way)
            way[0] = 'forward'
        }
        this.#extend(selection, ...way)
        return true
    }

    #begin(doc, selection) {
        const start =
            this.#range?.startContainer.ownerDocument === doc
                ? this.#range
                : { startContainer: doc.body, startOffset: 0 }
        selection.collapse(start.startContainer, start.startOffset)
        this.#extend(selection, 'forward', 'word')
        this.#selects = true
        return true
    }

    /** The edge of a paragraph is a step of its own to the browser, and nothing to be seen. */
    #extend(selection, ...way) {
        const before = selection.toString().trim()
        for (let step = 0; step < 3 && selection.toString().trim() === before; step++)
            selection.modify('extend', ...way)
    }
}
