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
