import { thisDevice } from '../marks/kept.js'

/**
 * The place furthest on that another device has kept; null where there is none or no connection.
 *
 * @param {string|null} address
 * @param {(locator: object) => number} measure how far on a place is
 */
export const furthestElsewhere = async (address, measure) => {
    const response = address && (await fetch(address, { headers: { Accept: 'application/json' } }).catch(() => null))
    if (!response?.ok) return null
    const others = (await response.json()).filter(place => place.device !== thisDevice())
    return others.sort((a, b) => measure(b.locator) - measure(a.locator))[0] ?? null
}
