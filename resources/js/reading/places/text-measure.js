// How far in the text of a document a point is, for many points of one document.

/** NodeFilter.SHOW_TEXT. */
const TEXT = 4

export class TextMeasure {
    /** @type {WeakMap<Document, TextMeasure>} */
    static #of = new WeakMap()

    /** @type {Map<Node, number>} characters before each piece of text */
    #before = new Map()
    #total = 0

    /** @param {Document} doc */
    static of(doc) {
        let measure = TextMeasure.#of.get(doc)
        if (!measure) TextMeasure.#of.set(doc, (measure = new TextMeasure(doc)))
        return measure
    }

    /** @param {Document} doc */
    constructor(doc) {
        const walker = doc.createTreeWalker(doc.body, TEXT)
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
            this.#before.set(node, this.#total)
            this.#total += node.length
        }
    }

    /**
     * The other way round: the point so far in the text.
     *
     * @param {number} share from 0 to 1
     * @returns {Range|null} null where there is no text
     */
    at(share) {
        const wanted = Math.min(this.#total - 1, Math.floor(share * this.#total))
        let found = null
        for (const [node, before] of this.#before) {
            if (before > wanted) break
            if (node.length) found = { node, before }
        }
        if (!found) return null
        const range = found.node.ownerDocument.createRange()
        range.setStart(found.node, Math.min(found.node.length - 1, wanted - found.before))
        range.collapse(true)
        return range
    }

    /** @param {Range} range of which the beginning counts; from 0 to 1 */
    share(range) {
        const { startContainer: node, startOffset: offset } = range
        const before = this.#before.get(node)
        if (before !== undefined) return (before + offset) / (this.#total || 1)
        // In an element: as far as the text before it.
        const all = node.ownerDocument.createRange()
        all.selectNodeContents(node.ownerDocument.body)
        if (!node.ownerDocument.body.contains(node)) return 0
        all.setEnd(node, offset)
        return all.toString().length / (this.#total || 1)
    }
}
