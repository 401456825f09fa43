// A publication that is fetched resource by resource from the server, as foliate-js reads it.
import { EPUB } from 'foliate-js/epub.js'

export class LoanEnded extends Error {}

/** Documents that come many at once, kept until they are read; by path. */
class Together {
    #texts = new Map()
    #coming = Promise.resolve()

    /** @param {string|null} address where they are had; null where each is asked for by itself */
    constructor(address) {
        this.address = address
    }

    /**
     * Sees to it that a document is here before it is read, with those after it.
     *
     * @returns {Promise<string|undefined>} how it is written; undefined where it is to be asked for by itself
     */
    has(path) {
        // One after the other: what the last brought may be what is wanted.
        this.#coming = this.#coming.then(() => this.#fetch(path))
        return this.#coming.then(() => this.#texts.get(path))
    }

    async #fetch(path) {
        if (!this.address || this.#texts.has(path)) return
        // What was looked at and not read is let go of.
        this.#texts.clear()
        const response = await fetch(`${this.address}?${new URLSearchParams({ from: path })}`, {
            headers: { Accept: 'application/json' },
        }).catch(() => null)
        // Without a connection they may be on this device, each by itself.
        if (!response) this.address = null
        else if (response.ok) for (const [of, text] of Object.entries(await response.json())) this.#texts.set(of, text)
    }

    take(path) {
        const text = this.#texts.get(path)
        this.#texts.delete(path)
        return text
    }
}

/**
 * @param {{files: string, sizes: Record<string, number>, documents: string|null}} data where its files are, how large
 *     each is, and where documents are had many at once
 */
export const openPublication = async ({ files, sizes, documents }, whenEnded) => {
    const together = new Together(documents)
    const get = async escaped => {
        const name = decodeURIComponent(escaped)
        // Files that a container may have and this one has not are not asked for.
        if (!(name in sizes)) return null
        const response = await fetch(`${files}/${name.split('/').map(encodeURIComponent).join('/')}`, {
            headers: { Accept: 'application/json, */*' },
        })
        if (response.status === 410 || response.status === 401) {
            whenEnded()
            throw new LoanEnded()
        }
        if (!response.ok) throw new Error(`${name}: ${response.status}`)
        return response
    }
    const loader = {
        loadText: async name => together.take(decodeURIComponent(name)) ?? (await (await get(name))?.text()) ?? null,
        loadBlob: async (name, type) => {
            const response = await get(name)
            return response && new Blob([await response.arrayBuffer()], { type })
        },
        getSize: name => sizes[decodeURIComponent(name)] ?? 0,
    }
    const book = await new EPUB(loader).init()
    return Object.assign(book, { together })
}
