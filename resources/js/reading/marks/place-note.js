// Puts the box for a note at the text to which it belongs, and keeps it there while the page is turned or laid
// out anew.

import { rangesIn, seenAt } from './on-page.js'

/** Pixels between text and box, and of the box to the page's edges. */
const APART = 10

const seen = (mark, view) => {
    for (const { doc, index } of view.renderer.getContents()) {
        if (!doc?.defaultView) continue
        for (const { range } of rangesIn(view, [mark], doc, index ?? view.renderer.index)) {
            const at = seenAt(range, view, { isPlace: !mark.colour })
            if (at) return at.box
        }
    }
    return null
}

/**
 * @param {HTMLElement} box
 * @param {object} mark
 * @param {HTMLElement} view
 * @param {HTMLElement} page in which it lies
 */
export const placeNote = (box, mark, view, page) => {
    page.append(box)
    const place = () => {
        if (!box.isConnected) {
            view.removeEventListener('relocate', place)
            removeEventListener('resize', place)
            return
        }
        const at = seen(mark, view)
        const bounds = page.getBoundingClientRect()
        const area = view.getBoundingClientRect()
        const { offsetWidth: width, offsetHeight: height } = box
        // What is on another page has its note at the foot of this one.
        const lowest = area.bottom - bounds.top - height - APART
        const under = at ? at.bottom - bounds.top + APART : lowest
        const over = at ? at.top - bounds.top - height - APART : lowest
        const middle = at ? (at.left + at.right) / 2 : (area.left + area.right) / 2
        const furthest = area.right - bounds.left - width - APART
        box.style.left = `${Math.max(APART, Math.min(furthest, middle - bounds.left - width / 2))}px`
        box.style.top = `${Math.max(APART, under <= lowest ? under : Math.min(lowest, over))}px`
    }
    view.addEventListener('relocate', place)
    addEventListener('resize', place)
    place()
}
