// Reads aloud from the page that is open: by the book's own recording where it has one, the sentence lit as it is
// spoken, and else by a voice, the paragraph lit.

import { fill } from './notice.js'
import { BrowserVoice, LibraryVoice } from './voices.js'

const BLOCKS = 'h1, h2, h3, h4, h5, h6, p, li, blockquote, figcaption, dt, dd'
/** A recording that goes silent for so long has come to its end. */
const SILENCE = 2500

const wordsOf = block => block.textContent.replace(/\s+/g, ' ').trim()

export class ReadAloud {
    #on = false
    #paused = false
    #lit = null
    #silence = 0
    /** The voice that reads. */
    #voice = null

    /**
     * @param {{view: HTMLElement, bar: HTMLElement, hint: HTMLElement, texts: object, language: string,
     *     speech: object|null, token: string, say: (words: string) => void}} of hint: where it is said before that
     *     nothing can read it; speech: what LibraryVoice wants, null where the library has none for this
     */
    constructor(of) {
        Object.assign(this, of)
        this.voices = [
            new BrowserVoice(),
            ...(this.speech ? [new LibraryVoice({ ...this.speech, token: this.token })] : []),
        ]
        this.speed = this.bar.querySelector('select')
        this.speed.value = localStorage.getItem('aloud:speed') ?? '1'
        this.speed.onchange = () => {
            localStorage.setItem('aloud:speed', this.speed.value)
            this.view.mediaOverlay?.setRate(Number(this.speed.value))
            // A voice takes a new speed with its next words.
        }
        this.pauseButton = this.bar.querySelector('[data-pause]')
        this.pauseButton.onclick = () => this.pause()
        this.bar.querySelector('[data-stop]').onclick = () => this.stop()
        this.view.addEventListener('relocate', ({ detail }) => {
            this.range = detail.range
        })
        addEventListener('pagehide', () => this.#voice?.stop())
        globalThis.speechSynthesis?.addEventListener?.('voiceschanged', () => this.showHint())
    }

    /** What can read a language; by a voice of the book's own where there is none of a passage's. */
    #voiceOf(language) {
        const reading = of => this.voices.find(voice => voice.reads(of))
        return reading(language) ?? reading(this.language)
    }

    /** Why it cannot be read aloud; empty where it can. */
    get #hindrance() {
        if (this.view.mediaOverlay || this.#voiceOf(this.language)) return ''
        const names = new Intl.DisplayNames([document.documentElement.lang || 'en'], { type: 'language' })
        let language = this.language
        try {
            language = names.of(this.language)
        } catch {
            // It is called as the book calls it.
        }
        return fill(this.texts.no_voice, { language })
    }

    /** Says before that it cannot be read aloud. */
    showHint() {
        this.hint.textContent = this.#hindrance
    }

    get on() {
        return this.#on
    }

    toggle() {
        return this.#on ? this.stop() : this.start()
    }

    start() {
        const recorded = this.view.mediaOverlay
        const hindrance = this.#hindrance
        if (hindrance) return this.say(hindrance)
        this.#on = true
        this.#paused = false
        this.#show()
        if (recorded) this.#startRecording(recorded)
        else this.#startVoice().catch(() => this.#fail())
    }

    stop() {
        this.#on = false
        clearTimeout(this.#silence)
        this.view.mediaOverlay?.stop()
        this.#voice?.stop()
        this.#light(null)
        this.#show()
    }

    #fail() {
        this.stop()
        this.say(this.texts.aloud_failed)
    }

    pause() {
        this.#paused = !this.#paused
        const recorded = this.view.mediaOverlay
        if (recorded) this.#paused ? recorded.pause() : recorded.resume()
        else this.#paused ? this.#voice?.pause() : this.#voice?.resume()
        this.#show()
    }

    #show() {
        this.bar.hidden = !this.#on
        this.pauseButton.textContent = this.#paused ? this.texts.go_on : this.texts.pause
    }

    /**
     * Whether a thing stands on the page that is open or after it; of a document that is just being opened,
     * everything does.
     */
    #ahead(element) {
        return (
            this.range?.startContainer.getRootNode() !== element.getRootNode() ||
            this.range.comparePoint(element, 0) >= 0
        )
    }

    get #page() {
        const { doc, index } = this.view.renderer.getContents().at(-1)
        return { doc, index: index ?? this.view.renderer.index }
    }

    #startRecording(recorded) {
        if (!this.listens) {
            this.listens = true
            recorded.addEventListener('highlight', () => clearTimeout(this.#silence))
            recorded.addEventListener('unhighlight', () => {
                clearTimeout(this.#silence)
                this.#silence = setTimeout(() => this.#on && !this.#paused && this.stop(), SILENCE)
            })
            recorded.addEventListener('error', () => this.#fail())
        }
        recorded.setRate(Number(this.speed.value))
        const { doc, index } = this.#page
        recorded.start(index, item => {
            const sentence = doc.getElementById(item.text.split('#')[1])
            return !sentence || this.#ahead(sentence)
        })
    }

    async #startVoice() {
        for (let from = this.range; this.#on; from = null) {
            const { doc } = this.#page
            this.range = from
            const blocks = [...doc.querySelectorAll(BLOCKS)].filter(b => !b.querySelector(BLOCKS) && this.#ahead(b))
            for (const [n, block] of blocks.entries()) {
                if (!this.#on) return
                await this.#speak(block, blocks[n + 1])
            }
            if (!this.#on) return
            const before = doc
            await this.view.renderer.nextSection()
            if (this.#page.doc === before) return this.stop()
        }
    }

    async #speak(block, next) {
        const words = wordsOf(block)
        if (!words) return
        const range = block.ownerDocument.createRange()
        range.selectNodeContents(block)
        await this.view.renderer.scrollToAnchor?.(range)
        this.#light(block)
        const language = block.closest('[lang]')?.lang || this.language
        this.#voice = this.#voiceOf(language)
        const speaking = this.#voice.speak(words, language, Number(this.speed.value))
        if (next) this.#voice.prepare(wordsOf(next))
        await speaking
    }

    #light(block) {
        this.#lit?.classList.remove('spoken-now')
        block?.classList.add('spoken-now')
        this.#lit = block
    }
}
