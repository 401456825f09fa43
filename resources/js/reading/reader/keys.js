// What each key does in the reader, wherever it is pressed: on the page, in a document of the book, in a drawer.

import { openKeys, singleKeysAct } from '../../account/preferences/keys.js'

/** Keys that also work within a drawer. */
const IN_DRAWER = ['Escape', 'c', 'f', 'm', 'a', '?']

/** Keys that do not belong to the text, where it is read as such: by the others it scrolls. */
const IN_TEXT = ['Escape', 't', 'a', 'c', 'm', '?']

export class Keys {
    /**
     * @param {{turning: import('./turning.js').Turning, drawers: {open: unknown, toggle: Function, close: Function},
     *     tools: object, marks: boolean, zoom: import('./zoom.js').Zoom|null, leave: () => void}} of
     *     zoom: of fixed pages
     */
    constructor(of) {
        Object.assign(this, of)
        this.on = event => this.press(event)
    }

    press(event) {
        const { tools } = this
        // The list of keys lies over all of it.
        if (globalThis.document?.querySelector('dialog[open]')) return
        if (
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            // What is being written is not lost by its drawer: Escape closes that from within a field, too.
            (event.key !== 'Escape' && event.target.closest?.('input[type=text], textarea, select')) ||
            (/^[a-z?+=0-]$/.test(event.key) && !singleKeysAct()) ||
            (event.key.startsWith('Arrow') && event.target.localName === 'table')
        )
            return
        const elsewhere = event.target.closest?.('.drawer, .selection-bar, button, a')
        if (!elsewhere && !tools.textView?.open && tools.selectionKeys.take(event)) return event.preventDefault()
        if (event.target.closest?.('.drawer') && !IN_DRAWER.includes(event.key)) return
        if (tools.textView?.open && !IN_TEXT.includes(event.key)) return
        if (event.key === ' ' && event.target.closest?.('button, a')) return
        const act = this.#act(event)
        if (!act) return
        event.preventDefault()
        act()
    }

    #act({ key, shiftKey }) {
        const { turning, drawers, tools, marks, leave } = this
        const zoom = this.zoom?.isOpen ? this.zoom : null
        // What is larger than the window is moved over before it is turned.
        const back = () => zoom?.page(-1) || turning.back()
        const on = () => zoom?.page(1) || turning.on()
        return {
            ArrowLeft: () => zoom?.pan(-1, 0) || turning.left(),
            ArrowRight: () => zoom?.pan(1, 0) || turning.right(),
            ArrowUp: zoom && (() => zoom.pan(0, -1)),
            ArrowDown: zoom && (() => zoom.pan(0, 1)),
            '+': zoom && (() => zoom.enlarge()),
            '=': zoom && (() => zoom.enlarge()),
            '-': zoom && (() => zoom.reduce()),
            0: zoom && (() => zoom.set('page')),
            PageUp: back,
            PageDown: on,
            ' ': shiftKey ? back : on,
            Home: turning.toStart,
            End: turning.toEnd,
            c: () => drawers.toggle('contents'),
            f: () => drawers.toggle('find'),
            m: () => marks && drawers.toggle('marks'),
            a: () => drawers.toggle('appearance'),
            t: () => tools.textView?.toggle(),
            r: () => tools.aloud?.toggle(),
            // In a document of the book, which the page does not hear.
            '?': () => openKeys(globalThis.document?.getElementById('keys')),
            Escape: () => tools.closeOne() || (drawers.open ? drawers.close() : leave()),
        }[key]
    }
}
