// "Take offline" beside each loan that may be: its size before, how far it is, pause and go on, and away with it.

import { element } from '../reader/element.js'
import { fill } from '../reader/notice.js'
import { asksFirst, forget, makeReady, possible } from './device.js'
import { setInUse } from './flag.js'
import { get } from './store.js'
import { NotAllowed, progressOf, take } from './take.js'
import { bytes } from './words.js'

class Row {
    #stop = null

    constructor(box, texts) {
        Object.assign(this, { box, texts, facts: JSON.parse(box.dataset.offline) })
        addEventListener('online', () => this.waits && this.start())
    }

    button(words, act, kind = 'btn-quiet') {
        const made = element('button', { type: 'button', className: `btn ${kind}`, textContent: words, onclick: act })
        made.append(element('span', { className: 'sr-only', textContent: `: ${this.facts.title}` }))
        return made
    }

    status(words) {
        return element('p', { className: 'meta', role: 'status', textContent: words })
    }

    async show(why = '') {
        const loan = await get(this.facts.id)
        if (loan?.done)
            return this.box.replaceChildren(
                this.status(this.texts.here),
                this.button(this.texts.remove, () => this.remove(), 'btn-plain'),
            )
        if (loan && !loan.ended) {
            const { here, size } = await progressOf(loan)
            return this.box.replaceChildren(
                this.button(fill(this.texts.go_on, { here: bytes(here), size: bytes(size) }), () => this.start()),
                this.button(this.texts.remove, () => this.remove(), 'btn-plain'),
                ...(why ? [this.status(why)] : []),
            )
        }
        this.box.replaceChildren(
            this.button(fill(this.texts.take, { size: bytes(this.facts.bytes) }), () => this.start()),
            ...(why ? [this.status(why)] : []),
        )
    }

    async start(anyway = false) {
        this.waits = false
        if (!anyway && asksFirst('offline'))
            return this.box.replaceChildren(
                this.status(this.texts.costs),
                this.button(this.texts.anyway, () => this.start(true)),
            )
        this.#stop = new AbortController()
        const bar = element('progress', { max: 1, value: 0, className: 'w-40' })
        bar.setAttribute('aria-label', this.facts.title)
        const said = element('p', { className: 'meta' })
        const pause = this.button(this.texts.pause, () => this.#stop.abort())
        this.box.replaceChildren(bar, said, pause)
        try {
            setInUse(true)
            await makeReady()
            await take(
                this.facts,
                (here, size) => {
                    bar.value = here / size
                    said.textContent = fill(this.texts.taking, { here: bytes(here), size: bytes(size) })
                },
                this.#stop.signal,
            )
            await this.show()
        } catch (error) {
            if (error.name === 'AbortError') return this.show()
            this.waits = error instanceof TypeError
            await this.show(
                error instanceof NotAllowed
                    ? error.message || this.texts.refused
                    : error.name === 'QuotaExceededError'
                      ? this.texts.no_room
                      : this.waits
                        ? this.texts.stopped
                        : this.texts.refused,
            )
        }
        this.box.querySelector('button')?.focus()
    }

    async remove() {
        await forget(this.facts.id)
        await this.show()
        this.box.querySelector('button')?.focus()
    }
}

/** The rows of this page, where this browser can keep anything. */
export const showRows = () => {
    const texts = document.getElementById('offline-texts')
    if (!texts || !possible()) return
    for (const box of document.querySelectorAll('[data-offline]')) new Row(box, JSON.parse(texts.textContent)).show()
}
