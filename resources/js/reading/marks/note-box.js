// The one box in which a note is written, wherever the text stands to which it belongs. What has been written is kept
// however it is closed, but for the button that says otherwise.

import { element } from '../reader/element.js'

const LONGEST = 4000

export class NoteBox {
    /** The mark of which the note is being written. */
    mark = null
    #opener = null

    /**
     * @param {Record<string, string>} texts
     * @param {{keep: (mark: object, note: string) => void, remove: (mark: object) => void}} act
     */
    constructor(texts, { keep, remove }) {
        this.keep = keep
        this.quote = element('blockquote', { className: 'mark-quote' })
        this.text = element('textarea', { rows: 3, maxLength: LONGEST, className: 'mark-note', id: 'note-text' })
        const button = (words, act, className = '') =>
            element('button', { type: 'button', className, textContent: words, onclick: act })
        this.element = element(
            'form',
            { className: 'note-box', id: 'note-box' },
            this.quote,
            element('label', { htmlFor: 'note-text', textContent: texts.note }),
            this.text,
            element(
                'span',
                { className: 'flex flex-wrap gap-2' },
                element('button', { className: 'mark-save', textContent: texts.keep_note }),
                button(texts.leave_note, () => this.close(false)),
                button(texts.remove_mark, () => {
                    const { mark } = this
                    this.close(false)
                    remove(mark)
                }),
            ),
        )
        this.element.addEventListener('submit', event => {
            event.preventDefault()
            this.close()
        })
        // Keys are letters here; Escape keeps what has been written.
        this.element.addEventListener('keydown', event => {
            event.stopPropagation()
            if (event.key !== 'Escape' || event.isComposing) return
            event.preventDefault()
            this.close()
        })
        addEventListener('pagehide', () => this.#keep())
    }

    get open() {
        return this.mark !== null
    }

    /** @param {(box: HTMLElement) => void} put puts it where it belongs */
    show(mark, put) {
        if (this.mark?.id === mark.id) return this.text.focus()
        this.close()
        this.#opener = document.activeElement
        this.mark = mark
        this.quote.textContent = mark.locator.text?.highlight ?? mark.label
        this.quote.dataset.colour = mark.colour ?? ''
        this.text.value = mark.note
        put(this.element)
        this.text.focus()
    }

    close(keeps = true) {
        if (!this.mark) return
        if (keeps) this.#keep()
        this.mark = null
        const hadFocus = this.element.contains(document.activeElement)
        this.element.remove()
        if (hadFocus && this.#opener?.isConnected) this.#opener.focus()
    }

    #keep() {
        const note = this.text.value.trim()
        if (!this.mark || note === this.mark.note) return
        this.keep(this.mark, note)
        this.mark = { ...this.mark, note }
    }
}
