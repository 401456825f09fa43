// Parts one after another as one whole.

export const clock = seconds => {
    const s = Math.max(0, Math.floor(seconds))
    const two = n => String(n).padStart(2, '0')
    return s >= 3600
        ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`
        : `${Math.floor(s / 60)}:${two(s % 60)}`
}

export class Timeline {
    /** @param {{path?: string, seconds: number}[]} parts */
    constructor(parts) {
        this.parts = parts
        this.starts = []
        this.total = parts.reduce((at, part) => {
            this.starts.push(at)
            return at + part.seconds
        }, 0)
    }

    /** Seconds from the beginning of the whole. */
    whole(part, seconds) {
        return this.starts[part] + seconds
    }

    /** The part that plays then, and how far into it. */
    at(whole) {
        const part = Math.max(
            0,
            this.starts.findLastIndex(start => start <= whole),
        )
        return { part, seconds: whole - this.starts[part] }
    }

    /** Seconds from the beginning of the whole to the place of a Locator; of a part that is gone, by its share. */
    ofPlace({ href, locations }) {
        const part = this.parts.findIndex(p => p.path === href)
        const fragment = locations.fragments?.find(f => f.startsWith('t='))
        if (part < 0) return locations.totalProgression * this.total
        return this.whole(part, fragment ? Number(fragment.slice(2)) : locations.progression * this.parts[part].seconds)
    }
}
