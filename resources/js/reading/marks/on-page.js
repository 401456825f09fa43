// Where on the screen marks are: ranges of the documents that are shown, and their boxes.

const BLOCK = 'p, li, td, blockquote, pre, figcaption, h1, h2, h3, h4, h5, h6, div, body'

export const cfiOf = mark => mark.locator.locations.fragments?.find(f => f.startsWith('epubcfi('))

/**
 * @param {HTMLElement} view
 * @param {object[]} marks
 * @returns {{mark: object, range: Range}[]} those that are in a document of the book; one without text where it begins
 */
export const rangesIn = (view, marks, doc, index) => {
    // Of thousands of marks few are in this document.
    const beginning = `${view.getCFI(index).slice(0, -1)}!`
    return marks
        .filter(mark => cfiOf(mark)?.startsWith(beginning))
        .flatMap(mark => {
            try {
                const range = view.resolveCFI(cfiOf(mark)).anchor(doc)
                return range?.startContainer ? [{ mark, range }] : []
            } catch {
                // The page is other than it was, or not drawn yet.
                return []
            }
        })
}

/** The letter where a range begins: what is empty has no box. */
const firstOf = range => {
    const first = range.cloneRange()
    first.collapse(true)
    const { startContainer: node, startOffset: offset } = first
    if (node.nodeType === 3 && offset < node.length) first.setEnd(node, offset + 1)
    else if (node.nodeType === 1 && node.childNodes[offset]) first.selectNode(node.childNodes[offset])
    return first
}

/** From boxes in a document of the book to the screen's. */
const onScreen = doc => {
    const frame = doc.defaultView.frameElement
    const { left, top, width } = frame.getBoundingClientRect()
    const scale = width / doc.defaultView.innerWidth || 1
    return box => ({
        left: left + box.left * scale,
        right: left + box.right * scale,
        top: top + box.top * scale,
        bottom: top + box.bottom * scale,
    })
}

/**
 * Where a range is seen, and the block of text in which it is.
 *
 * @param {{isPlace?: boolean}} of whether it is a place, of which only the beginning counts
 * @returns {{box: object, block: object}|null} on the screen; null where it is not in view
 */
export const seenAt = (range, view, { isPlace = false } = {}) => {
    const doc = range.startContainer.ownerDocument
    if (!doc.defaultView) return null
    const there = onScreen(doc)
    const bounds = view.getBoundingClientRect()
    const isInView = ({ left, right, top, bottom }) =>
        (left + right) / 2 > bounds.left &&
        (left + right) / 2 < bounds.right &&
        (top + bottom) / 2 > bounds.top &&
        (top + bottom) / 2 < bounds.bottom
    const box = [...(isPlace ? firstOf(range) : range).getClientRects()]
        .filter(({ width, height }) => width && height)
        .map(there)
        .find(isInView)
    if (!box) return null
    const of = range.startContainer.nodeType === 1 ? range.startContainer : range.startContainer.parentElement
    // A paragraph that runs over columns has a box in each.
    const block = [...of.closest(BLOCK).getClientRects()]
        .map(there)
        .find(({ left, right }) => left <= box.left + 1 && right >= box.right - 1)
    return { box, block: block ?? box }
}
