// How one likes to listen and watch: kept in this browser, and shown by the fields of a page that are for it.

/** What stands until something else is chosen; of numbers the least and the most. Skips in seconds. */
const KNOWN = {
    speed: { standard: 1, least: 0.5, most: 3 },
    back: { standard: 15, least: 1, most: 600 },
    on: { standard: 15, least: 1, most: 600 },
    volume: { standard: 1, least: 0, most: 1 },
    muted: { standard: false },
    level: { standard: true },
    shorten: { standard: false },
}

const KEPT = 'playing'

/** @returns what is chosen, where that is possible at all */
const valid = (name, value) => {
    const { standard, least, most } = KNOWN[name]
    if (typeof standard === 'boolean') return typeof value === 'boolean' ? value : standard
    const number = typeof value === 'string' && value.trim() === '' ? NaN : Number(value ?? NaN)
    return Number.isFinite(number) ? Math.round(100 * Math.min(most, Math.max(least, number))) / 100 : standard
}

const kept = () => {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? '{}') ?? {}
    } catch {
        return {}
    }
}

export class Settings {
    #chosen = {}
    #listeners = []

    constructor() {
        const before = kept()
        for (const name of Object.keys(KNOWN)) this.#chosen[name] = valid(name, before[name])
        for (const field of this.#fields()) {
            const isBox = field.type === 'checkbox'
            const choose = () => this.set(field.dataset.playing, isBox ? field.checked : field.value)
            field.addEventListener(field.type === 'range' ? 'input' : 'change', choose)
        }
        for (const name of Object.keys(KNOWN)) this.#show(name)
    }

    get(name) {
        return this.#chosen[name]
    }

    set(name, value) {
        this.#chosen[name] = valid(name, value === '' ? this.#chosen[name] : value)
        // Another window may have chosen something else meanwhile.
        localStorage.setItem(KEPT, JSON.stringify({ ...kept(), [name]: this.#chosen[name] }))
        this.#show(name)
        for (const act of this.#listeners) act(name)
    }

    /** @param {(name: string) => void} act when something is chosen */
    onChange(act) {
        this.#listeners.push(act)
    }

    #fields(name = null) {
        return document.querySelectorAll(name ? `[data-playing="${name}"]` : '[data-playing]')
    }

    #show(name) {
        for (const field of this.#fields(name)) {
            if (field.type === 'checkbox') field.checked = this.#chosen[name]
            else field.value = String(this.#chosen[name])
        }
    }
}
