// Captions: their language, size and ground are chosen once and kept in this browser.

export class Captions {
    #media
    #last = null
    #language = document.getElementById('captions')

    constructor(media, player) {
        this.#media = media
        for (const id of ['captions', 'captions-size', 'captions-ground']) {
            const choice = document.getElementById(id)
            if (!choice) continue
            const kept = localStorage.getItem(`player:${id}`)
            if (kept !== null && [...choice.options].some(option => option.value === kept)) choice.value = kept
            const apply = () => (id === 'captions' ? this.#show() : player.setAttribute(`data-${id}`, choice.value))
            choice.onchange = () => {
                localStorage.setItem(`player:${id}`, choice.value)
                apply()
            }
            apply()
        }
    }

    /** @param {{language: string, label: string, address: string}[]} captions of the part that plays next */
    fill(captions) {
        if (!this.#language) return
        this.#media.replaceChildren(
            ...captions.map(c =>
                Object.assign(document.createElement('track'), {
                    kind: 'captions',
                    srclang: c.language,
                    label: c.label,
                    src: c.address,
                }),
            ),
        )
        this.#show()
    }

    /** On in the language that was shown last, or off. */
    toggle() {
        if (!this.#language) return
        const to = this.#language.value ? '' : (this.#last ?? this.#language.options[1]?.value ?? '')
        this.#language.value = to
        this.#language.onchange()
    }

    #show() {
        if (this.#language.value) this.#last = this.#language.value
        for (const track of this.#media.textTracks)
            track.mode = track.language === this.#language.value ? 'showing' : 'disabled'
    }
}
