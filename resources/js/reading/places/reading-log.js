// What was read and when, for the Almanac of who keeps one: gathered here until the library has it, off line too.

import { keepReading } from '../marks/kept.js'

/** Rules §7: an interval between two turns counts up to 5 minutes; a leaf turned in under 2 seconds was not read. */
const LONGEST = 300_000
const SHORTEST = 2_000
/** Media that tells of itself later than this was asleep meanwhile. */
const ASLEEP = 90_000
/** More at once than this is a jump, not playing. */
const FASTEST = 3.5

export class ReadingLog {
    #last = null
    #address

    /** @param {string} address where the places of the loan go */
    constructor(address, now = () => Date.now()) {
        this.#address = address
        this.now = now
        // A page that cannot be seen is not read; sound goes on.
        document.addEventListener('visibilitychange', () => this.#last?.position !== undefined && this.#leave())
    }

    /** @param {number} position of a page that was turned to */
    turned(position) {
        const now = this.now()
        const last = this.#last
        this.#last = { position, now }
        if (last?.position === undefined || now <= last.now) return
        const isRead = now - last.now >= SHORTEST && position > last.position
        this.#add(last.now, Math.min(now, last.now + LONGEST), null, isRead ? 1 : 0)
    }

    /** @param {number} at seconds of the whole that playing has come to */
    played(at) {
        const now = this.now()
        const last = this.#last
        const wall = (now - last?.now) / 1000
        const media = at - last?.at
        // Told four times a second: written once in a while.
        if (last?.at !== undefined && wall < 5 && media >= 0 && media <= wall * FASTEST + 1) return
        this.#last = { at, now }
        if (last?.at === undefined || wall <= 0 || wall * 1000 > ASLEEP || media <= 0 || media > wall * FASTEST) return
        this.#add(last.now, now, media, 0)
    }

    /** Playing stops. */
    stopped(at) {
        const last = this.#last
        if (last?.at === undefined) return
        const wall = (this.now() - last.now) / 1000
        if (wall > 0 && wall * 1000 <= ASLEEP && at > last.at && at - last.at <= wall * FASTEST + 1)
            this.#add(last.now, this.now(), at - last.at, 0)
        this.#last = null
    }

    #leave() {
        const now = this.now()
        if (now > this.#last.now) this.#add(this.#last.now, Math.min(now, this.#last.now + LONGEST), null, 0)
        this.#last = null
    }

    #add(from, to, seconds, pages) {
        keepReading(this.#address, { from, to, ...(seconds === null ? {} : { seconds }), pages })
    }
}
