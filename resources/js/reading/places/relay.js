// Two elements that take turns: while one plays the other fetches what comes next, so that tracks follow without a gap
// as far as their format allows. To whoever uses it, it is one.

export class Relay {
    #other = null

    /** @param {HTMLMediaElement} element of sound; a film has no second one */
    constructor(element) {
        this.current = element
        if (element.localName !== 'audio') return
        this.#other = element.cloneNode()
        this.#other.removeAttribute('src')
        this.#other.removeAttribute('id')
        this.#other.hidden = true
        element.after(this.#other)
    }

    get currentTime() {
        return this.current.currentTime
    }
    set currentTime(seconds) {
        this.current.currentTime = seconds
    }
    get duration() {
        return this.current.duration
    }
    get paused() {
        return this.current.paused
    }
    get ended() {
        return this.current.ended
    }
    get error() {
        return this.current.error
    }
    get readyState() {
        return this.current.readyState
    }
    get playbackRate() {
        return this.current.playbackRate
    }
    set playbackRate(rate) {
        for (const element of [this.current, this.#other]) if (element) element.playbackRate = rate
    }

    set src(address) {
        this.current.src = address
    }

    play() {
        return this.current.play()
    }
    pause() {
        this.current.pause()
    }

    /** Ends what plays and what waits. */
    clear() {
        for (const element of [this.current, this.#other]) {
            element?.pause()
            element?.removeAttribute('src')
        }
    }

    removeControls() {
        this.current.removeAttribute('controls')
        this.#other?.removeAttribute('controls')
    }

    /** Only what happens to the one that plays is heard of. */
    addEventListener(type, act) {
        for (const element of [this.current, this.#other])
            element?.addEventListener(type, event => element === this.current && act(event))
    }

    /** Fetches what comes next. */
    prepare(address) {
        if (!this.#other || this.#other.getAttribute('src') === address) return
        this.#other.preload = 'auto'
        this.#other.src = address
    }

    /** @returns whether what was prepared is there, and now the one that plays */
    takeOver(address) {
        if (this.#other?.getAttribute('src') !== address || this.#other.readyState < 2) return false
        const before = this.current
        this.current = this.#other
        this.#other = before
        before.removeAttribute('id')
        before.removeAttribute('src')
        before.hidden = true
        this.current.id = 'media'
        this.current.hidden = false
        return true
    }
}
