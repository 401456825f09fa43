// The outline of a PDF, and where places within it are: looked up when they are gone to, for a long one has thousands.

/** At a time, beside what its reader does. */
const AT_ONCE = 50

export class Outline {
    #places = []
    #known = new Map()
    #chapters = []

    /** @param {import('pdfjs-dist').PDFDocumentProxy} pdf */
    constructor(pdf) {
        this.pdf = pdf
    }

    /** @param {string|object[]} place as a PDF names it (ISO 32000-2, 12.3.2) */
    addressOf(place) {
        return `#${this.#places.push(place) - 1}`
    }

    /** @returns {{index: number}|Promise<{index: number}>} the page of an address; of a number, the page itself */
    resolve(href) {
        if (!href.startsWith('#')) return { index: Number(href) }
        const known = this.#known.get(href)
        return Number.isInteger(known) ? { index: known } : this.#look(href).then(index => ({ index: index ?? -1 }))
    }

    async #look(href) {
        if (this.#known.has(href)) return this.#known.get(href)
        const place = this.#places[Number(href.slice(1))]
        const to = typeof place === 'string' ? await this.pdf.getDestination(place).catch(() => null) : place
        const index = Number.isInteger(to?.[0])
            ? to[0]
            : to?.[0]
              ? await this.pdf.getPageIndex(to[0]).catch(() => null)
              : null
        this.#known.set(href, index)
        return index
    }

    /** @returns {Promise<{label: string, href: string|null, subitems: object[]|null}[]>} */
    async entries() {
        const of = items =>
            (items ?? []).map(({ title, dest, items: below }) => ({
                label: title.trim(),
                href: dest ? this.addressOf(dest) : null,
                subitems: below?.length ? of(below) : null,
            }))
        return of(await this.pdf.getOutline())
    }

    /** Looks up the pages of all entries, a few at a time. */
    async locate(entries) {
        const all = []
        const gather = items => {
            for (const item of items) {
                if (item.href) all.push(item)
                if (item.subitems) gather(item.subitems)
            }
        }
        gather(entries)
        for (let from = 0; from < all.length; from += AT_ONCE)
            await Promise.all(all.slice(from, from + AT_ONCE).map(({ href }) => this.#look(href)))
        this.#chapters = all
            .map(item => ({ item, index: this.#known.get(item.href) }))
            .filter(({ index }) => Number.isInteger(index))
            .sort((one, other) => one.index - other.index)
    }

    /** The first entry that begins on a page, else the one that goes on there; null before they are looked up. */
    at(index) {
        const begins = this.#chapters.find(chapter => chapter.index === index)
        return (begins ?? this.#chapters.findLast(chapter => chapter.index < index))?.item ?? null
    }
}
