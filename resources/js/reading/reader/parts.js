// A document that is too long to be laid out at once, in parts of which one is: the others are there, but not
// displayed, so that every point of the document stays where it is for marks, links and places.

/** Letters of a part: some sixty screens, laid out at once. */
const LONGEST = 120_000

const ATTRIBUTE = 'data-elsewhere'

/**
 * What is shown or hidden as one: the children of an element that is too long, the children of those of them that are
 * too long, and so on; not where letters stand between elements, which cannot be hidden alone.
 *
 * @returns {{element: Element, length: number}[]}
 */
const piecesOf = element => {
    const isMixed = [...element.childNodes].some(node => node.nodeType === 3 && node.data.trim())
    const length = element.textContent.length
    if (length <= LONGEST || isMixed || !element.children.length) return [{ element, length }]
    return [...element.children].flatMap(piecesOf)
}

export class Parts {
    /** @type {{elements: Element[], length: number, start: number}[]} start: letters before it */
    #parts = []
    #of = new Map()
    #total = 0
    /** The part that is shown. */
    at = 0

    /** @param {Document} doc @returns {Parts|null} null for a document that can be laid out as it is */
    static of(doc) {
        if (!doc.body || doc.body.textContent.length < 2 * LONGEST) return null
        const parts = new Parts(doc.body)
        return parts.count > 1 ? parts : null
    }

    constructor(body) {
        for (const { element, length } of piecesOf(body)) {
            const last = this.#parts.at(-1)
            if (last && last.length + length <= LONGEST) {
                last.elements.push(element)
                last.length += length
            } else this.#parts.push({ elements: [element], length, start: this.#total })
            this.#of.set(element, this.#parts.length - 1)
            this.#total += length
            element.setAttribute(ATTRIBUTE, '')
        }
        const style = body.ownerDocument.createElement('style')
        style.textContent = `[${ATTRIBUTE}] { display: none !important; }`
        body.ownerDocument.documentElement.append(style)
        this.#display(0, true)
    }

    /** The elements of the part that is shown. */
    get shown() {
        return this.#parts[this.at].elements
    }

    get count() {
        return this.#parts.length
    }

    /** Whether there is one before (-1) or after (1) the one that is shown. */
    has(direction) {
        return this.at + direction >= 0 && this.at + direction < this.count
    }

    #display(index, isShown) {
        for (const element of this.#parts[index].elements) element.toggleAttribute(ATTRIBUTE, !isShown)
    }

    show(index) {
        this.#display(this.at, false)
        this.at = index
        this.#display(index, true)
    }

    /** @returns {number|null} the part that a node is in; null for what is around several */
    indexOf(node) {
        for (let of = node; of; of = of.parentNode) if (this.#of.has(of)) return this.#of.get(of)
        return null
    }

    /** @param {number} share of the whole, from 0 to 1 @returns {{index: number, within: number}} */
    find(share) {
        const letters = Math.min(1, Math.max(0, share)) * this.#total
        const index = Math.max(
            0,
            this.#parts.findLastIndex(({ start }) => start <= letters),
        )
        const { start, length } = this.#parts[index]
        return { index, within: Math.min(1, (letters - start) / (length || 1)) }
    }

    /** @param {number} within the part that is shown, from 0 to 1 @returns {number} of the whole */
    share(within) {
        const { start, length } = this.#parts[this.at]
        return (start + within * length) / (this.#total || 1)
    }

    /** How much of the whole the part is that is shown. */
    get size() {
        return this.#parts[this.at].length / (this.#total || 1)
    }

    /** Where a part begins, or ends. */
    edge(index, isEnd) {
        const { elements, start, length } = this.#parts[index]
        // Just before the end: at it the next part begins.
        return isEnd ? (start + length - 1) / this.#total : elements[0]
    }
}
