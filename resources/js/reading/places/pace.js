// How quickly this reader reads, from their own turns of the page; what is left at that pace.

import { isForgotten } from '../marks/kept.js'

/** Bytes of a resource a minute, until something is known: about 250 words of six letters with their markup. */
const STANDARD = 1600
/** Rules §7: an interval between two turns counts up to 5 minutes; a leaf turned in under 2 seconds was not read. */
const LONGEST = 300_000
const SHORTEST = 2_000
/** The weight of what was known when a minute more has been read: the last half hour counts most. */
const MEMORY = Math.exp(-1 / 30)

export class Pace {
    #last = null

    constructor(now = () => performance.now()) {
        this.now = now
        const kept = JSON.parse(localStorage.getItem('pace') ?? '{}')
        this.read = { bytes: kept.bytes > 0 ? kept.bytes : STANDARD * 5, minutes: kept.minutes > 0 ? kept.minutes : 5 }
        document.addEventListener('visibilitychange', () => {
            this.#last = null
        })
    }

    /** @param {number} at bytes of the reading order before this place */
    turn(at) {
        const now = this.now()
        const last = this.#last
        this.#last = { at, now }
        if (!last || at <= last.at || now - last.now < SHORTEST || now - last.now > LONGEST) return
        const minutes = (now - last.now) / 60_000
        // A jump through the contents is not reading: nobody reads ten times as fast as most.
        if ((at - last.at) / minutes > STANDARD * 10) return
        const weight = MEMORY ** minutes
        this.read = { bytes: this.read.bytes * weight + at - last.at, minutes: this.read.minutes * weight + minutes }
        if (!isForgotten()) localStorage.setItem('pace', JSON.stringify(this.read))
    }

    /** Minutes for so many bytes more. */
    minutes(bytes) {
        return (bytes * this.read.minutes) / this.read.bytes
    }
}
