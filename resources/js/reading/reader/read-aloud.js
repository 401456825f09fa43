// Reads aloud from the page that is open: by the book's own recording where it has one, the sentence lit as it is
// spoken, and else by the browser's voice, the paragraph lit.

const BLOCKS = 'h1, h2, h3, h4, h5, h6, p, li, blockquote, figcaption, dt, dd'
/** A recording that goes silent for so long has come to its end. */
const SILENCE = 2500

export class ReadAloud {
    #on = false
    #paused = false
    #lit = null
    #silence = 0

    /**
     * @param {{view: HTMLElement, bar: HTMLElement, texts: object, language: string, say: (words: string) => void}}
     * of
     */
    constructor(of) {
        Object.assign(this, of)
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
        addEventListener('pagehide', () => globalThis.speechSynthesis?.cancel())
    }

    get on() {
        return this.#on
    }

    toggle() {
        return this.#on ? this.stop() : this.start()
    }

    start() {
        const recorded = this.view.mediaOverlay
        if (!recorded && !globalThis.speechSynthesis?.getVoices().length) return this.say(this.texts.no_voice)
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
        globalThis.speechSynthesis?.cancel()
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
        else this.#paused ? speechSynthesis.pause() : speechSynthesis.resume()
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
            for (const block of [...doc.querySelectorAll(BLOCKS)].filter(
                b => !b.querySelector(BLOCKS) && this.#ahead(b),
            )) {
                if (!this.#on) return
                await this.#speak(block)
            }
            if (!this.#on) return
            const before = doc
            await this.view.renderer.nextSection()
            if (this.#page.doc === before) return this.stop()
        }
    }

    async #speak(block) {
        const words = block.textContent.replace(/\s+/g, ' ').trim()
        if (!words) return
        const range = block.ownerDocument.createRange()
        range.selectNodeContents(block)
        await this.view.renderer.scrollToAnchor?.(range)
        this.#light(block)
        await new Promise(done => {
            const utterance = new SpeechSynthesisUtterance(words)
            utterance.lang = block.closest('[lang]')?.lang || this.language
            utterance.rate = Number(this.speed.value)
            utterance.onend = utterance.onerror = done
            speechSynthesis.speak(utterance)
        })
    }

    #light(block) {
        this.#lit?.classList.remove('spoken-now')
        block?.classList.add('spoken-now')
        this.#lit = block
    }
}
