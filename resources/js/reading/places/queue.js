// What is to be heard next, out of its order; after that the order goes on from where it was left.

import { fill } from '../reader/notice.js'

export class Queue {
    #waiting = []
    /** The part that the order has come to. */
    #base = null
    #from = null

    /** @param {{play_next: string, plays_next: string}} texts */
    constructor(texts) {
        this.texts = texts
        this.buttons = [...document.querySelectorAll('[data-next]')]
        for (const button of this.buttons) {
            button.onclick = () => {
                const part = Number(button.dataset.next)
                this.#waiting = this.#waiting.includes(part)
                    ? this.#waiting.filter(p => p !== part)
                    : [...this.#waiting, part]
                this.#show()
            }
        }
    }

    /** What comes after a part. */
    next(part) {
        return this.#waiting[0] ?? this.#order(part) + 1
    }

    /** What comes after a part, which is then heard. */
    take(part) {
        const base = this.#order(part)
        const queued = this.#waiting.shift()
        this.#base = queued === undefined ? null : base
        this.#from = queued ?? null
        this.#show()
        return queued ?? base + 1
    }

    /** Where the order stands: at the part itself, unless that was heard out of it. */
    #order(part) {
        return this.#base !== null && part === this.#from ? this.#base : part
    }

    #show() {
        for (const button of this.buttons) {
            const place = this.#waiting.indexOf(Number(button.dataset.next)) + 1
            button.setAttribute('aria-pressed', String(place > 0))
            button.querySelector('[data-words]').textContent = place
                ? fill(this.texts.plays_next, { place })
                : this.texts.play_next
        }
    }
}
