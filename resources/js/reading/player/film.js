// A film on the page, on the whole screen, at the edges of a phone that is turned, or in a window of its own.

const $ = id => document.getElementById(id)

/** So long after the last movement the controls go, while it plays; in milliseconds. */
const STILL_AFTER = 3000

/** A phone on its side: there is room for nothing but the picture. */
const TURNED = '(orientation: landscape) and (max-height: 500px)'

export class Film {
    #still

    /** @param {import('./player.js').Player} player */
    constructor(player) {
        this.player = player
        this.video = $('media')
        this.texts = player.data.texts
        this.turned = matchMedia(TURNED)
        this.#followFullScreen()
        this.#followOwnWindow()
        this.#followPointer()
        this.turned.addEventListener('change', () => this.#lay())
        this.#lay()
    }

    toggleFullScreen() {
        if (document.fullscreenElement) return document.exitFullscreen()
        const whole = document.documentElement
        // Where only films may have the screen, the browser shows its own controls there.
        if (!whole.requestFullscreen) return this.video.webkitEnterFullscreen?.()
        return whole
            .requestFullscreen({ navigationUI: 'hide' })
            .then(() => screen.orientation?.lock?.('landscape'))
            .catch(() => {})
    }

    #followFullScreen() {
        const button = $('full-screen')
        button.hidden = !document.fullscreenEnabled && !this.video.webkitEnterFullscreen
        button.onclick = () => this.toggleFullScreen()
        document.addEventListener('fullscreenchange', () => {
            button.textContent = document.fullscreenElement ? this.texts.leave_full_screen : this.texts.full_screen
            this.#lay()
        })
    }

    #followOwnWindow() {
        const button = $('own-window')
        button.hidden = !document.pictureInPictureEnabled
        const show = () => button.setAttribute('aria-pressed', String(document.pictureInPictureElement !== null))
        button.onclick = () =>
            (document.pictureInPictureElement
                ? document.exitPictureInPicture()
                : this.video.requestPictureInPicture()
            ).catch(() => {})
        for (const event of ['enterpictureinpicture', 'leavepictureinpicture']) this.video.addEventListener(event, show)
        show()
    }

    #followPointer() {
        this.video.addEventListener('click', event => {
            // A finger calls for the controls where they are hidden, and puts them away again.
            if (event.pointerType === 'touch' && document.body.classList.contains('is-wide')) this.#stir(this.#isStill)
            else this.player.toggle()
        })
        this.video.addEventListener('dblclick', () => this.toggleFullScreen())
        for (const event of ['mousemove', 'keydown', 'focusin']) addEventListener(event, () => this.#stir())
        for (const event of ['play', 'pause']) this.video.addEventListener(event, () => this.#stir())
    }

    get #isStill() {
        return document.body.classList.contains('is-still')
    }

    /** @param {boolean} show the controls, until nothing has moved for a while */
    #stir(show = true) {
        clearTimeout(this.#still)
        document.body.classList.toggle('is-still', !show)
        if (!show) return
        this.#still = setTimeout(() => {
            document.body.classList.toggle('is-still', !this.video.paused)
        }, STILL_AFTER)
    }

    #lay() {
        document.body.classList.toggle('is-wide', document.fullscreenElement !== null || this.turned.matches)
        this.#stir()
    }
}
