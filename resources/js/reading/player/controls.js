// What moves the player: its buttons, the keys, and the controls of the device itself.

import { singleKeysAct } from '../../account/preferences/keys.js'
import { fill } from '../reader/notice.js'

/** Between two speeds. */
const SPEED_STEP = 0.05

const $ = id => document.getElementById(id)

export class Controls {
    /** @param {import('./player.js').Player} player */
    constructor(player) {
        this.player = player
        this.settings = player.settings
        this.#followButtons()
        this.#followDevice()
        this.#showSettings()
        this.settings.onChange(() => this.#showSettings())
        // On a page that is for something else, keys are for that.
        if ($('bar')) this.#followKeys()
    }

    #back(seconds = this.settings.get('back')) {
        this.player.step(-seconds)
    }

    #on(seconds = this.settings.get('on')) {
        this.player.step(seconds)
    }

    #changeSpeed(by) {
        this.settings.set('speed', Math.round((this.settings.get('speed') + by) / SPEED_STEP) * SPEED_STEP)
    }

    #mute() {
        this.settings.set('muted', !this.settings.get('muted'))
    }

    #showSettings() {
        const { settings } = this
        const { texts } = this.player.data
        for (const [id, sign, text] of [
            ['back', '−', texts.back_by],
            ['on', '+', texts.on_by],
        ]) {
            const seconds = settings.get(id)
            $(id).querySelector('[aria-hidden]').textContent = `${sign}${seconds}`
            $(id).setAttribute('aria-label', fill(text, { seconds }))
        }
        if (!$('mute')) return
        const isMuted = settings.get('muted')
        $('mute').setAttribute('aria-pressed', String(isMuted))
        $('mute').querySelector('.sr-only').textContent = isMuted ? texts.unmute : texts.mute
    }

    #followButtons() {
        const { player } = this
        const acts = {
            play: () => player.toggle(),
            back: () => this.#back(),
            on: () => this.#on(),
            before: () => player.before(),
            after: () => player.next(),
            slower: () => this.#changeSpeed(-SPEED_STEP),
            faster: () => this.#changeSpeed(SPEED_STEP),
            mute: () => this.#mute(),
        }
        for (const [id, act] of Object.entries(acts)) if ($(id)) $(id).onclick = act
        $('seek').oninput = () => player.dragTo(Number($('seek').value))
        $('seek').onchange = () => player.dropAt(Number($('seek').value))
        for (const button of document.querySelectorAll('[data-part]'))
            button.onclick = () => player.playPart(Number(button.dataset.part))
    }

    #followKeys() {
        const { player } = this
        const more = document.querySelector('.player-more')
        more.addEventListener('keydown', event => {
            if (event.key !== 'Escape' || !more.open) return
            more.open = false
            more.querySelector('summary').focus()
        })
        const acts = {
            ' ': () => player.toggle(),
            ArrowLeft: () => this.#back(),
            ArrowRight: () => this.#on(),
            ArrowUp: () => this.#changeSpeed(SPEED_STEP),
            ArrowDown: () => this.#changeSpeed(-SPEED_STEP),
        }
        const letters = {
            m: () => this.#mute(),
            f: () => player.film?.toggleFullScreen(),
            c: () => player.captions.toggle(),
            ...Object.fromEntries(
                Array.from({ length: 10 }, (_, tenth) => [
                    tenth,
                    () => player.goTo((tenth * player.timeline.total) / 10),
                ]),
            ),
        }
        addEventListener('keydown', event => {
            const act = acts[event.key] ?? (singleKeysAct() ? letters[event.key] : undefined)
            const presses = [' ', 'Enter'].includes(event.key) && event.target.closest('button, a, summary')
            const writes = event.target.closest('select, input:not([type=checkbox]), textarea')
            const isOver = document.querySelector('dialog[open]')
            if (event.ctrlKey || event.metaKey || event.altKey || presses || writes || isOver || !act) return
            event.preventDefault()
            act()
        })
    }

    /** The device's own controls, on its lock screen and its headphones. */
    #followDevice() {
        if (!navigator.mediaSession) return
        const { player } = this
        const handlers = {
            play: () => player.play(),
            pause: () => player.pause(),
            stop: () => player.pause(),
            seekbackward: event => this.#back(event.seekOffset ?? undefined),
            seekforward: event => this.#on(event.seekOffset ?? undefined),
            previoustrack: () => player.before(),
            nexttrack: () => player.next(),
            seekto: event => player.goTo(event.seekTime),
        }
        for (const [action, handler] of Object.entries(handlers)) {
            try {
                navigator.mediaSession.setActionHandler(action, handler)
            } catch {
                // A browser that does not know it.
            }
        }
    }
}
