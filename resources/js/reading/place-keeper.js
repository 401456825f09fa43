// Keeps the place on the server: soon after a page is turned, at once when the page is left, later when there is no
// connection. What could not be sent waits in this browser.

const WAIT = 900

export const thisDevice = () => {
    let id = localStorage.getItem('device')
    if (!id) localStorage.setItem('device', id = crypto.randomUUID())
    return id
}

const deviceName = () => {
    const phone = matchMedia('(max-width: 600px)').matches
    const tablet = !phone && matchMedia('(pointer: coarse)').matches
    return phone ? 'phone' : tablet ? 'tablet' : 'computer'
}

export class PlaceKeeper {
    #timer
    #unsent
    /** The place that is on its way; places go one after another, so that none overtakes a later one. */
    #sending = null

    constructor({ address, token, onEnded, onOffline }) {
        Object.assign(this, { address, token, onEnded, onOffline })
        this.slot = `place:${address}`
        this.#unsent = JSON.parse(localStorage.getItem(this.slot) ?? 'null')
        addEventListener('pagehide', () => this.send(true))
        addEventListener('online', () => this.send())
        document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && this.send(true))
    }

    /** What an earlier visit could not send, if anything. */
    get unsent() {
        return this.#unsent
    }

    keep(locator) {
        this.#unsent = { locator, read_at: Date.now() }
        localStorage.setItem(this.slot, JSON.stringify(this.#unsent))
        clearTimeout(this.#timer)
        this.#timer = setTimeout(() => this.send(), WAIT)
    }

    /** @param {boolean} leaving There may be no time to wait for the one before. */
    async send(leaving = false) {
        clearTimeout(this.#timer)
        const sending = this.#unsent
        if (!sending || sending === this.#sending || this.#sending && !leaving) return
        this.#sending = sending
        try {
            const response = await fetch(this.address, {
                method: 'PUT',
                keepalive: true,
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': this.token },
                body: JSON.stringify({ ...sending, sent_at: Date.now(), device: thisDevice(), device_name: deviceName() }),
            })
            if (response.status === 410) this.onEnded()
            // Taken, or never to be taken; anything else is tried again later.
            const settled = response.ok || [404, 410, 422].includes(response.status)
            if (settled && this.#unsent === sending) {
                this.#unsent = null
                localStorage.removeItem(this.slot)
            }
        } catch {
            this.onOffline()
        } finally {
            if (this.#sending === sending) this.#sending = null
        }
        if (this.#unsent && this.#unsent !== sending) this.send()
    }
}
