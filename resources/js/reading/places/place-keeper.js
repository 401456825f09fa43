// Keeps the place on the server: soon after a page is turned, at once when the page is left, later when there is no
// connection. What could not be sent waits in this browser.

import { isForgotten, sendPlace, settled, unsentPlace } from '../marks/kept.js'

const WAIT = 900

const samePlace = (one, other) =>
    one.href === other.href && one.locations.totalProgression === other.locations.totalProgression

export class PlaceKeeper {
    #timer
    #unsent
    /** The place that is on its way; places go one after another, so that none overtakes a later one. */
    #sending = null

    /**
     * @param {{address: string, token: string, onEnded: () => void, onOffline: () => void, where?: () => object|null}}
     *     of  where: what moves by itself says where it is when the page is left; null where it has not moved
     */
    constructor({ address, token, onEnded, onOffline, where = () => null }) {
        Object.assign(this, { address, token, onEnded, onOffline })
        this.#unsent = unsentPlace(address)
        const leave = () => {
            const here = where()
            if (here) this.note(here)
            this.send(true)
        }
        addEventListener('pagehide', leave)
        addEventListener('online', () => this.send())
        document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && leave())
    }

    /**
     * Where to begin: what this browser could not send yet, unless another device has gone on since; or the last that
     * it sent where the page is older than that, as one from this device's own store may be.
     *
     * @param {object|null} place the place that came with the page
     * @param {number} placedAt when that was read, in milliseconds
     */
    newest(place, placedAt) {
        const last = JSON.parse(localStorage.getItem(`last:${this.address}`) ?? 'null')
        // By this device's own clock where the library has nothing of another; else by both.
        const isOfHere = !place || (last && samePlace(place, last.locator))
        if (this.#unsent && (isOfHere || this.#unsent.read_at > placedAt)) return this.#unsent.locator
        return last && last.read_at > placedAt ? last.locator : place
    }

    /** In this browser alone, until something is sent. */
    note(locator) {
        if (isForgotten()) return
        this.#unsent = { locator, read_at: Date.now() }
        localStorage.setItem(`place:${this.address}`, JSON.stringify(this.#unsent))
    }

    keep(locator) {
        this.note(locator)
        clearTimeout(this.#timer)
        this.#timer = setTimeout(() => this.send(), WAIT)
    }

    /** @param {boolean} leaving There may be no time to wait for the one before. */
    async send(leaving = false) {
        clearTimeout(this.#timer)
        const sending = this.#unsent
        if (isForgotten() || !sending || sending === this.#sending || (this.#sending && !leaving)) return
        this.#sending = sending
        try {
            const response = await sendPlace(this.address, this.token, sending)
            if (isForgotten()) return
            if (response.status === 410) this.onEnded()
            if (settled(response, [404, 410, 422]) && this.#unsent === sending) {
                this.#unsent = null
                localStorage.removeItem(`place:${this.address}`)
                localStorage.setItem(`last:${this.address}`, JSON.stringify(sending))
            }
        } catch {
            this.onOffline()
        } finally {
            if (this.#sending === sending) this.#sending = null
        }
        if (this.#unsent && this.#unsent !== sending) this.send()
    }
}
