// A publication that is fetched resource by resource from the server, as foliate-js reads it.
import { EPUB } from 'foliate-js/epub.js'

export class LoanEnded extends Error {}

/** @param {{files: string, sizes: Record<string, number>}} data where its files are, and how large each is */
export const openPublication = async ({ files, sizes }, whenEnded) => {
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
        loadText: async name => (await get(name))?.text() ?? null,
        loadBlob: async (name, type) => {
            const response = await get(name)
            return response && new Blob([await response.arrayBuffer()], { type })
        },
        getSize: name => sizes[decodeURIComponent(name)] ?? 0,
    }
    return new EPUB(loader).init()
}
