/**
 * On a shared computer: says two minutes before that one is about to be signed out, and lets one stay. Counts by the
 * clock, not by ticks: a tab in the background ticks when it likes.
 */
export class Leaving {
    #element
    #token
    #seconds
    #since

    /** @param {HTMLElement} element with data-seconds, data-warned, data-words (":seconds") and a button */
    constructor(element, token, now = () => Date.now()) {
        this.#element = element
        this.#token = token
        this.now = now
        this.#seconds = Number(element.dataset.seconds)
        this.used()
        element.querySelector('button').addEventListener('click', () => this.stay())
    }

    /** Something was done that the library has noticed. */
    used() {
        this.#since = this.now()
        this.#element.hidden = true
    }

    tick() {
        const left = Math.ceil(this.#seconds - (this.now() - this.#since) / 1000)
        if (left <= 0) return true
        const isSoon = left <= Number(this.#element.dataset.warned)
        if (isSoon) {
            // A screen reader hears it once; the numbers are for the eye.
            this.#element.querySelector('[data-left]').textContent = left
        }
        this.#element.hidden = !isSoon
        return false
    }

    async stay() {
        const answer = await fetch('/still-here', { method: 'POST', headers: { 'X-CSRF-TOKEN': this.#token } }).catch(
            () => null,
        )
        if (answer?.ok) this.used()
    }
}

export function watchLeaving(element, token) {
    const leaving = new Leaving(element, token)
    element.dataset.watched = ''
    document.addEventListener('htmx:afterRequest', () => leaving.used())
    const clock = setInterval(() => {
        if (!leaving.tick()) return
        clearInterval(clock)
        location.assign('/sign-in')
    }, 1000)
}
