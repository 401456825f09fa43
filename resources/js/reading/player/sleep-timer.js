// Stops playing after some minutes, or when a part ends; goes on from page to page of a window, as what it stops does.

import { fill } from '../reader/notice.js'

const KEPT = 'sleep'

/** In the last seconds it grows softer. */
const FADES = 10

const $ = id => document.getElementById(id)

export class SleepTimer {
    #timer
    /** @type {{choice: string, until: number|null}|null} */
    #set = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null')

    /** @param {{texts: object, stop: () => void, fade: (share: number) => void}} of */
    constructor({ texts, stop, fade }) {
        Object.assign(this, {
            texts,
            stop,
            fade,
            choice: $('sleep'),
            minutes: $('sleep-minutes'),
            left: $('sleep-left'),
        })
        if (this.#set?.until && this.#set.until <= Date.now()) this.#keep(null)
        if (this.choice) {
            this.choice.onchange = () => this.#choose()
            this.minutes.onchange = () => this.#choose()
        }
        this.#begin()
    }

    /** Whether playing is to stop now that a part has ended; then the timer is off again. */
    endsWithPart() {
        const stops = this.#set?.choice === 'end'
        if (stops) this.#keep(null)
        this.#begin()
        return stops
    }

    #choose() {
        const choice = this.choice.value
        this.minutes.hidden = choice !== 'own'
        if (choice === 'own' && !this.minutes.value) {
            this.minutes.value = '20'
            this.minutes.focus()
        }
        const minutes = choice === 'own' ? this.minutes.valueAsNumber : Number(choice)
        if (choice === 'end') this.#keep({ choice, until: null })
        else if (minutes > 0) this.#keep({ choice, until: Date.now() + Math.min(minutes, 600) * 60_000 })
        else this.#keep(null)
        this.#begin()
    }

    #keep(set) {
        this.#set = set
        if (set) sessionStorage.setItem(KEPT, JSON.stringify(set))
        else sessionStorage.removeItem(KEPT)
    }

    #begin() {
        clearTimeout(this.#timer)
        this.fade(1)
        if (this.choice) {
            this.choice.value = this.#set?.choice ?? 'off'
            this.minutes.hidden = this.choice.value !== 'own'
            if (!this.minutes.hidden && !this.minutes.value)
                this.minutes.value = String(Math.ceil((this.#set.until - Date.now()) / 60_000))
        }
        if (this.#set?.until) this.#tick()
        else this.#show()
    }

    #tick() {
        const seconds = (this.#set.until - Date.now()) / 1000
        if (seconds <= 0) {
            this.#keep(null)
            this.stop()
            return this.#begin()
        }
        this.fade(Math.min(1, seconds / FADES))
        this.#show()
        this.#timer = setTimeout(() => this.#tick(), 500)
    }

    #show() {
        if (!this.left) return
        const seconds = this.#set?.until ? (this.#set.until - Date.now()) / 1000 : null
        const text =
            seconds === null
                ? ''
                : seconds < 60
                  ? this.texts.stops_soon
                  : fill(this.texts.stops_in, { minutes: Math.ceil(seconds / 60) })
        if (this.left.textContent !== text) this.left.textContent = text
    }
}
