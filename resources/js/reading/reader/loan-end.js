// A page that stays open past the end of its loan closes it.

const LONGEST_TIMER = 2 ** 31 - 1

/** @param {number|null} due in milliseconds; null for what has no end */
export const endAt = (due, act) => {
    if (due === null) return
    const left = due - Date.now()
    if (left <= LONGEST_TIMER) setTimeout(act, Math.max(0, left))
}
