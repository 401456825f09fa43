// Silences made short: of each, so much is left before and after.

/** In seconds. */
const LEFT = 0.2

/**
 * Where to go on from a place in a silence.
 *
 * @param {[number, number][]} silences from and to, in order
 * @param {number} at seconds
 * @returns {number|null} null where there is nothing to leave out
 */
export const afterSilence = (silences, at) => {
    let low = 0
    let high = silences.length
    while (low < high) {
        const middle = (low + high) >> 1
        if (silences[middle][1] <= at) low = middle + 1
        else high = middle
    }
    const [from, to] = silences[low] ?? [Infinity, Infinity]
    // A jump over next to nothing would be heard rather than help.
    return at >= from + LEFT && to - LEFT > at + LEFT ? to - LEFT : null
}
