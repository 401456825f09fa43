// Notes to the text open in place, at the foot of the page, and the place is kept.

import { FootnoteHandler } from 'foliate-js/footnotes.js'

export class Footnotes {
    /**
     * @param {{box: HTMLElement, view: HTMLElement, styles: () => string}} of where notes open, and the view they are
     * called from
     */
    constructor({ box, view, styles }) {
        Object.assign(this, { box, view })
        this.room = box.querySelector('[data-note]')
        box.querySelector('[data-close]').onclick = () => this.close()
        const handler = new FootnoteHandler()
        handler.addEventListener('before-render', ({ detail: { view: note } }) => {
            this.room.replaceChildren(note)
            this.box.hidden = false
            note.addEventListener('link', event => {
                // A note leads back to its place, which is still open, or on to another one.
                event.preventDefault()
                this.close()
                this.view.goTo(event.detail.href)
            })
            note.addEventListener('load', ({ detail: { doc } }) =>
                doc.addEventListener('keydown', e => e.key === 'Escape' && this.close()),
            )
            note.renderer.setAttribute('flow', 'scrolled')
            note.renderer.setAttribute('margin', '8px')
            note.renderer.setAttribute('gap', '4%')
            note.renderer.setStyles?.(styles())
        })
        handler.addEventListener('render', () => box.querySelector('[data-close]').focus())
        view.addEventListener('link', event =>
            handler.handle(view.book, event)?.catch(() => {
                // What cannot be shown in place is gone to, as any link.
                this.close()
                view.goTo(event.detail.href)
            }),
        )
    }

    get open() {
        return !this.box.hidden
    }

    close() {
        // The note stays until the next one: its view may still be at work.
        this.box.hidden = true
    }
}
