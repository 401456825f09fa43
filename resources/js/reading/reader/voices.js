// Voices that read aloud: the browser's own, and for what it has none the library's, which comes as sound.

import { json } from '../marks/kept.js'

const primary = language => (language || '').toLowerCase().split(/[-_]/)[0]

export class BrowserVoice {
    reads(language) {
        const voices = globalThis.speechSynthesis?.getVoices() ?? []
        return voices.some(({ lang }) => primary(lang) === primary(language))
    }

    /** @param {number} rate a new one is taken with the next words */
    speak(words, language, rate) {
        return new Promise(done => {
            const utterance = new SpeechSynthesisUtterance(words)
            Object.assign(utterance, { lang: language, rate, onend: done, onerror: done })
            speechSynthesis.speak(utterance)
        })
    }

    prepare() {}

    pause() {
        speechSynthesis.pause()
    }

    resume() {
        speechSynthesis.resume()
    }

    stop() {
        globalThis.speechSynthesis?.cancel()
    }
}

/** Letters that are asked for at once: the first are soon there. */
const AT_ONCE = 280

/** Of a text: sentences together as far as that, longer ones by words. */
export const partsOf = text => {
    const parts = []
    let part = ''
    const add = piece => {
        if ((part + piece).length > AT_ONCE && part.trim()) {
            parts.push(part.trim())
            part = ''
        }
        part += piece
    }
    for (const sentence of text.match(/[^.!?…]+[.!?…]*["”’')\]]*\s*|[.!?…]+\s*/g) ?? []) {
        if (sentence.length <= AT_ONCE) add(sentence)
        else for (const word of sentence.match(new RegExp(`\\S{1,${AT_ONCE}}\\s*`, 'g')) ?? []) add(word)
    }
    if (part.trim()) parts.push(part.trim())
    return parts
}

/** Sounds that are kept for when they are wanted. */
const MOST_KEPT = 4

export class LibraryVoice {
    #sound = new Audio()
    #kept = new Map()
    #done = null
    #run = 0
    #isPaused = false

    /** @param {{address: string, languages: string[], token: string}} of where it is had, and what it reads */
    constructor(of) {
        Object.assign(this, of)
        // As a person speaks faster, and not higher.
        this.#sound.preservesPitch = true
        for (const end of ['ended', 'error']) this.#sound.addEventListener(end, () => this.#done?.())
    }

    reads(language) {
        return this.languages.includes(primary(language))
    }

    /** Asks for the beginning of what comes next. */
    prepare(words) {
        const [first] = partsOf(words)
        if (first) this.#fetch(first).catch(() => {})
    }

    async speak(words, language, rate) {
        const run = ++this.#run
        const parts = partsOf(words)
        for (const [n, part] of parts.entries()) {
            const sound = await this.#fetch(part)
            if (run !== this.#run) return
            if (parts[n + 1]) this.#fetch(parts[n + 1]).catch(() => {})
            await this.#play(sound, rate)
            if (run !== this.#run) return
        }
    }

    pause() {
        this.#isPaused = true
        this.#sound.pause()
    }

    resume() {
        this.#isPaused = false
        if (this.#done) this.#sound.play().catch(() => {})
    }

    stop() {
        this.#run++
        this.#isPaused = false
        this.#sound.pause()
        this.#done?.()
        this.#kept.clear()
    }

    #fetch(words) {
        const known = this.#kept.get(words)
        if (known) return known
        const coming = fetch(this.address, {
            method: 'POST',
            headers: { ...json(this.token), Accept: 'audio/mpeg, application/json' },
            body: JSON.stringify({ text: words }),
        }).then(response => {
            if (!response.ok) throw new Error(`speech: ${response.status}`)
            return response.blob()
        })
        coming.catch(() => this.#kept.delete(words))
        this.#kept.set(words, coming)
        for (const oldest of this.#kept.keys()) {
            if (this.#kept.size <= MOST_KEPT) break
            this.#kept.delete(oldest)
        }
        return coming
    }

    async #play(blob, rate) {
        const address = URL.createObjectURL(blob)
        try {
            this.#sound.src = address
            this.#sound.playbackRate = rate
            await new Promise((done, fail) => {
                this.#done = done
                // Paused while it was on its way, it waits.
                if (!this.#isPaused)
                    this.#sound.play().catch(error => (error.name === 'AbortError' ? done() : fail(error)))
            })
        } finally {
            this.#done = null
            URL.revokeObjectURL(address)
        }
    }
}
