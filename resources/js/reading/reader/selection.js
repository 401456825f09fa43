// What can be done with selected text: highlight it, write a note beside it, copy it, look a word up, cite it. The same
// bar opens on a highlight that is there already.

const AROUND = 32
const LONGEST = 4000

/** What stands before and after a range in its own block, for whoever looks for the place by its text. */
const around = range => {
    const block =
        range.commonAncestorContainer.parentElement?.closest('p, li, td, blockquote, h1, h2, h3, h4, h5, h6, div') ??
        range.commonAncestorContainer
    const text = range.cloneRange()
    text.selectNodeContents(block)
    text.setEnd(range.startContainer, range.startOffset)
    const before = text.toString().slice(-AROUND)
    text.selectNodeContents(block)
    text.setStart(range.endContainer, range.endOffset)
    return { before, after: text.toString().slice(0, AROUND) }
}

const plain = text => text.replace(/\s+/g, ' ').trim()

export class Selection {
    #shown = null

    /** Takes what is selected at this moment, if that has not been done yet. */
    #catchUp = () => {}

    /**
     * @param {{bar: HTMLElement, locate: (index: number, range: Range) => {locator: object, label: string, page:
     *     string|number}, price: (index: number, range: Range) => Promise<string>, act: Record<string, (chosen:
     *     object, value?: string) => void>}} of
     */
    constructor(of) {
        Object.assign(this, of)
        for (const button of this.bar.querySelectorAll('[data-act]')) {
            // The selection must not be lost to the click.
            button.onmousedown = event => event.preventDefault()
            button.onclick = () => {
                this.#catchUp()
                const { act, colour } = button.dataset
                const chosen = this.#shown
                this.hide(true)
                this.act[act](chosen, colour)
            }
        }
    }

    /** Follows what is selected in a document of the book. */
    watch(doc, index) {
        let timer
        const take = () => {
            clearTimeout(timer)
            this.#catchUp = () => {}
            const selection = doc.getSelection()
            const text = selection?.rangeCount && !selection.isCollapsed ? plain(selection.toString()) : ''
            if (text) this.#show({ index, range: selection.getRangeAt(0).cloneRange(), text, doc })
            else if (this.#shown && !this.#shown.mark) this.hide()
        }
        doc.addEventListener('selectionchange', () => {
            clearTimeout(timer)
            this.#catchUp = take
            timer = setTimeout(take, 250)
        })
    }

    /** The bar for a highlight that was pressed. */
    showMark(index, range, mark) {
        this.#show({
            index,
            range,
            text: mark.locator.text?.highlight ?? plain(range.toString()),
            doc: range.startContainer.ownerDocument,
            mark,
        })
        this.focus()
    }

    #show(chosen) {
        this.#shown = chosen
        this.bar.querySelector('[data-act="remove"]').hidden = !chosen.mark
        // A word or two can be looked up, not a sentence.
        this.bar.querySelector('[data-act="lookUp"]').hidden = chosen.text.split(' ').length > 3
        for (const button of this.bar.querySelectorAll('button[data-colour]'))
            button.setAttribute('aria-pressed', String(chosen.mark?.colour === button.dataset.colour))
        const note = this.bar.querySelector('[data-note]')
        if (note) note.textContent = chosen.mark?.note ?? ''
        this.#showPrice(chosen)
        this.bar.hidden = false
    }

    /** What copying it would take of what the licence allows. */
    async #showPrice(chosen) {
        const price = this.bar.querySelector('[data-price]')
        price.textContent = ''
        const words = await this.price(chosen.index, chosen.range)
        if (this.#shown === chosen) price.textContent = words
    }

    focus() {
        this.#catchUp()
        this.bar.querySelector('button').focus()
    }

    get open() {
        return !this.bar.hidden
    }

    hide(clear = false) {
        this.#catchUp = () => {}
        if (clear) this.#shown?.doc.getSelection()?.removeAllRanges()
        this.bar.hidden = true
        this.#shown = null
    }

    /** The place of what was chosen, with its text, as a Locator and in words. */
    placeOf({ index, range, text }) {
        const place = this.locate(index, range)
        const { before, after } = around(range)
        return { ...place, locator: { ...place.locator, text: { before, highlight: text.slice(0, LONGEST), after } } }
    }
}
