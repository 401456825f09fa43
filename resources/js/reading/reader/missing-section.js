// A part of the publication that does not come: said, tried again by itself, and nothing else is lost.

import { LoanEnded } from './publication.js'
import { say, unsay } from './notice.js'

/** When it is tried again by itself, in milliseconds after the last try; the last for as long as it takes. */
const AGAIN = [4000, 15000, 60000]

export class MissingSection {
    #wanted = null
    /** The section that is shown. */
    #shown = null
    #tries = 0
    #timer

    /**
     * @param {object} texts
     * @param {(target: {index: number, anchor: unknown}) => Promise<void>} goTo
     */
    constructor(texts, goTo) {
        this.texts = texts
        this.goTo = goTo
        addEventListener('online', () => this.#wanted && this.#again())
    }

    /** @param {{index: number, anchor: unknown, error: Error}} failed what was asked for, and why it is not there */
    failed({ index, anchor, error }) {
        if (error instanceof LoanEnded) return
        console.warn(error)
        this.#wanted = { index, anchor }
        say(
            this.texts.part_missing,
            [this.texts.try_again, () => this.#again()],
            [this.texts.stay, () => this.forget()],
        )
        clearTimeout(this.#timer)
        this.#timer = setTimeout(() => this.#again(), AGAIN[Math.min(this.#tries++, AGAIN.length - 1)])
    }

    /** A section is on the page: the one that was wanted, another, or the same laid out anew. */
    shown(index) {
        if (this.#wanted && index !== this.#shown) this.forget()
        this.#shown = index
    }

    /** Somebody does not want it any more. */
    forget() {
        clearTimeout(this.#timer)
        this.#wanted = null
        this.#tries = 0
        unsay(this.texts.part_missing)
    }

    #again() {
        clearTimeout(this.#timer)
        if (this.#wanted) this.goTo(this.#wanted)
    }
}
