// Between what the page shows (a section and a share of the whole) and a Readium Locator.

export class Positions {
    #starts = []
    #total = 0

    /** @param {[string, number][]} positions path and number of positions of each resource, in reading order */
    constructor(positions) {
        this.list = positions
        for (const [, count] of positions) {
            this.#starts.push(this.#total)
            this.#total += count
        }
    }

    get total() {
        return this.#total
    }

    /**
     * Where a section of the book stands in this list: a reading order may name a document twice, which has one place
     * here.
     */
    indexOf(section, id) {
        return this.list[section]?.[0] === id || this.list.every(([path]) => path !== id)
            ? Math.min(section, this.list.length - 1)
            : this.list.findIndex(([path]) => path === id)
    }

    /** The Locator of a place: section index, progression within it (0 to 1), fragments such as a CFI. */
    locator(index, progression, fragments = [], type = 'application/xhtml+xml') {
        const [href, count] = this.list[index] ?? ['', 1]
        const within = Math.min(1, Math.max(0, progression))
        return {
            href,
            type,
            locations: {
                progression: within,
                position: this.#starts[index] + Math.min(count, Math.floor(within * count) + 1),
                totalProgression: this.#total ? Math.min(1, (this.#starts[index] + within * count) / this.#total) : 0,
                ...(fragments.length ? { fragments } : {}),
            },
        }
    }

    /** How far in the whole a place is, by where it begins; from 0 to 1. */
    share({ href, locations }) {
        const index = this.list.findIndex(([path]) => path === href)
        return index < 0
            ? (locations.totalProgression ?? 0)
            : (this.#starts[index] + (locations.progression ?? 0) * this.list[index][1]) / (this.#total || 1)
    }

    /** The section and progression where a position begins; positions count from 1. */
    at(position) {
        const index = this.#starts.findLastIndex(start => start < position)
        return { index, progression: (position - 1 - this.#starts[index]) / this.list[index][1] }
    }
}
