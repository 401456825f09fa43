// Keeps the place on the server: soon after a page is turned, at once when the page is left, later when there is no
// connection. What could not be sent waits in this browser.

import { sendPlace, settled, unsentPlace } from '../marks/kept.js'

const WAIT = 900

export class PlaceKeeper {
    #timer
    #unsent
    /** The place that is on its way; places go one after another, so that none overtakes a later one. */
    #sending = null

    constructor({ address, token, onEnded, onOffline }) {
        Object.assign(this, { address, token, onEnded, onOffline })
        this.#unsent = unsentPlace(address)
        addEventListener('pagehide', () => this.send(true))
        addEventListener('online', () => this.send())
        document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && this.send(true))
    }

    /**
     * Where to begin: what this browser could not send yet, or the last that it sent where the page is older than that,
     * as one from this device's own store may be.
     *
     * @param {object|null} place the place that came with the page
     * @param {number} placedAt when that was read, in milliseconds
     */
    newest(place, placedAt) {
        const here = this.#unsent ?? JSON.parse(localStorage.getItem(`last:${this.address}`) ?? 'null')
        return here && (this.#unsent || here.read_at > placedAt) ? here.locator : place
    }

    keep(locator) {
        this.#unsent = { locator, read_at: Date.now() }
        localStorage.setItem(`place:${this.address}`, JSON.stringify(this.#unsent))
        clearTimeout(this.#timer)
        this.#timer = setTimeout(() => this.send(), WAIT)
    }

    /** @param {boolean} leaving There may be no time to wait for the one before. */
    async send(leaving = false) {
        clearTimeout(this.#timer)
        const sending = this.#unsent
        if (!sending || sending === this.#sending || (this.#sending && !leaving)) return
        this.#sending = sending
        try {
            const response = await sendPlace(this.address, this.token, sending)
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
