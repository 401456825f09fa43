// How loud it is: the volume that was chosen, made level by what was measured of each recording. A volume can only be
// lowered; what has to be made louder goes through the browser's mixer.

export class Level {
    #mixer = null
    #nodes = new WeakMap()
    #gain = 0
    #fade = 1

    /**
     * @param {import('../places/relay.js').Relay} media
     * @param {import('./settings.js').Settings} settings
     */
    constructor(media, settings) {
        Object.assign(this, { media, settings })
        settings.onChange(name => ['volume', 'muted', 'level'].includes(name) && this.#apply())
    }

    /** @param {number} decibels of the part that plays now */
    set gain(decibels) {
        this.#gain = decibels
        this.#apply()
    }

    /** @param {number} share from 0 to 1 of what it would be */
    set fade(share) {
        this.#fade = share
        this.#apply()
    }

    /** The mixer may begin only when somebody plays. */
    begin() {
        const element = this.media.current
        if (this.#factor > 1 && !this.#nodes.has(element)) this.#mix(element)
        this.#mixer?.resume().catch(() => {})
        this.#apply()
    }

    get #factor() {
        return this.settings.get('level') ? 10 ** (this.#gain / 20) : 1
    }

    #mix(element) {
        if (!globalThis.AudioContext) return
        this.#mixer ??= new AudioContext()
        const node = this.#mixer.createGain()
        this.#mixer.createMediaElementSource(element).connect(node).connect(this.#mixer.destination)
        this.#nodes.set(element, node)
    }

    #apply() {
        const element = this.media.current
        const factor = this.#factor
        // Chosen, or another part begun, while it plays.
        if (factor > 1 && !element.paused && !this.#nodes.has(element)) this.#mix(element)
        const node = this.#nodes.get(element)
        if (node) node.gain.value = Math.max(1, factor)
        element.volume = Math.min(1, factor) * this.settings.get('volume') * this.#fade
        element.muted = this.settings.get('muted')
    }
}
