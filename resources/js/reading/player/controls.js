// What moves the player: its buttons, the keys, and the controls of the device itself.

/** Seconds that the buttons and keys go back and on. */
const STEP = 15

const $ = id => document.getElementById(id)

export class Controls {
    /** @param {import('./player.js').Player} player */
    constructor(player) {
        this.player = player
        const kept = localStorage.getItem('player:speed')
        if (kept && [...$('speed').options].some(o => o.value === kept)) $('speed').value = kept
        this.#followButtons()
        this.#followKeys()
        this.#followDevice()
    }

    #setSpeed(value) {
        $('speed').value = value
        this.player.rate = Number($('speed').value)
        localStorage.setItem('player:speed', $('speed').value)
    }

    #changeSpeed(by) {
        const index = $('speed').selectedIndex + by
        if (index >= 0 && index < $('speed').options.length) this.#setSpeed($('speed').options[index].value)
    }

    #followButtons() {
        const { player } = this
        $('play').onclick = () => player.toggle()
        $('back').onclick = () => player.step(-STEP)
        $('on').onclick = () => player.step(STEP)
        $('seek').oninput = () => player.dragTo(Number($('seek').value))
        $('seek').onchange = () => player.dropAt(Number($('seek').value))
        $('speed').onchange = () => this.#setSpeed($('speed').value)
        if ($('before')) {
            $('before').onclick = () => player.before()
            $('after').onclick = () => player.next()
        }
        for (const button of document.querySelectorAll('[data-part]'))
            button.onclick = () => player.playPart(Number(button.dataset.part))
    }

    #followKeys() {
        const acts = {
            ' ': () => this.player.toggle(),
            ArrowLeft: () => this.player.step(-STEP),
            ArrowRight: () => this.player.step(STEP),
            ArrowUp: () => this.#changeSpeed(1),
            ArrowDown: () => this.#changeSpeed(-1),
        }
        addEventListener('keydown', event => {
            const presses = [' ', 'Enter'].includes(event.key) && event.target.closest('button, a')
            const writes = event.target.closest('select, input, textarea, summary')
            const isOver = document.querySelector('dialog[open]')
            if (event.ctrlKey || event.metaKey || event.altKey || presses || writes || isOver || !acts[event.key])
                return
            event.preventDefault()
            acts[event.key]()
        })
    }

    /** The device's own controls, on its lock screen and its headphones. */
    #followDevice() {
        if (!navigator.mediaSession) return
        const { player } = this
        const handlers = {
            play: () => player.play(),
            pause: () => player.pause(),
            seekbackward: () => player.step(-STEP),
            seekforward: () => player.step(STEP),
            previoustrack: () => player.before(),
            nexttrack: () => player.next(),
            seekto: event => player.goTo(event.seekTime),
        }
        for (const [action, handler] of Object.entries(handlers))
            navigator.mediaSession.setActionHandler(action, handler)
    }
}
