// A page that stays open past the end of its loan closes it; before a short look ends it offers to keep it longer.

const LONGEST_TIMER = 2 ** 31 - 1

/** So long before its end it is said that a short look ends, in milliseconds. */
const SAID_BEFORE = 10 * 60_000

const at = (time, act) => {
    const left = time - Date.now()
    return left <= LONGEST_TIMER ? setTimeout(act, Math.max(0, left)) : undefined
}

/** @param {number|null} due in milliseconds; null for what has no end */
export const endAt = (due, act) => (due === null ? undefined : at(due, act))

/**
 * A loan that ends, a short look told of before.
 *
 * @param {{due: number|null, longer: string|null, token: string, texts: object}} data longer: where a short look is
 *     made longer; null for any other loan
 * @param {() => void} ended
 * @param {(text: string, ...acts: [string, (() => void)?][]) => void} say
 */
export const followEnd = ({ due, longer, token, texts }, ended, say) => {
    const timer = endAt(due, ended)
    if (!longer) return
    const keep = async () => {
        const response = await fetch(longer, {
            method: 'POST',
            headers: { Accept: 'application/json', 'X-CSRF-TOKEN': token },
        }).catch(() => null)
        const answer = await response?.json().catch(() => null)
        if (response?.ok) {
            clearTimeout(timer)
            endAt(answer.due, ended)
        }
        say(answer?.said ?? answer?.message ?? texts.offline, [texts.stay])
    }
    at(due - SAID_BEFORE, () => say(texts.look_ends, [texts.keep_longer, keep], [texts.stay]))
}
