// What was taken offline, in this browser's IndexedDB: a record for each loan, and its files in chunks, each encrypted
// with the loan's key. The key cannot be read out of the browser, and goes with the loan. It deters; it does not
// prevent.

export const CHUNK = 65_536

const promised = request =>
    new Promise((resolve, reject) => {
        request.onsuccess = () => resolve(request.result)
        request.onerror = () => reject(request.error)
    })

let opened = null
const database = () =>
    (opened ??= new Promise((resolve, reject) => {
        const request = indexedDB.open('offline', 1)
        request.onupgradeneeded = () => {
            request.result.createObjectStore('loans', { keyPath: 'id' })
            request.result.createObjectStore('chunks')
        }
        request.onsuccess = () => {
            request.result.onclose = () => (opened = null)
            resolve(request.result)
        }
        request.onerror = () => reject(request.error)
    }))

const within = async (store, mode, act) => promised(act((await database()).transaction(store, mode).objectStore(store)))

/** Where the browser clears what it keeps while it is being read, as when somebody signs out, nothing is here. */
const found = (store, act, none) =>
    within(store, 'readonly', act).catch(error => {
        if (error?.name !== 'AbortError') throw error
        return none
    })

const chunksOf = (id, path) =>
    path === undefined ? IDBKeyRange.bound([id], [id, []]) : IDBKeyRange.bound([id, path], [id, path, []])

export const all = () => found('loans', s => s.getAll(), [])
export const get = id => found('loans', s => s.get(id))
export const put = loan => within('loans', 'readwrite', s => s.put(loan))

/** Its files and its key; with a tombstone, the record still says that there was one. */
export const remove = async (id, tombstone = false) => {
    const loan = await get(id)
    await within('chunks', 'readwrite', s => s.delete(chunksOf(id)))
    if (tombstone && loan) await put({ id, title: loan.title, ended: true })
    else await within('loans', 'readwrite', s => s.delete(id))
}

export const newKey = () => crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt'])

/** What a chunk is of; decrypting anything else as this fails. */
const label = (loan, path, number) => new TextEncoder().encode(JSON.stringify([loan.id, loan.taken, path, number]))

export const writeChunk = async (loan, path, number, bytes) => {
    const iv = crypto.getRandomValues(new Uint8Array(12))
    const secret = await crypto.subtle.encrypt(
        { name: 'AES-GCM', iv, additionalData: label(loan, path, number) },
        loan.key,
        bytes,
    )
    return within('chunks', 'readwrite', s => s.put({ iv, secret }, [loan.id, path, number]))
}

const readChunk = async (loan, path, number) => {
    const chunk = await found('chunks', s => s.get([loan.id, path, number]))
    if (!chunk) throw new Error(`A part of ${path} is missing.`)
    return new Uint8Array(
        await crypto.subtle.decrypt(
            { name: 'AES-GCM', iv: chunk.iv, additionalData: label(loan, path, number) },
            loan.key,
            chunk.secret,
        ),
    )
}

/** How many chunks of a file are here. */
export const chunksHere = (loan, path) => found('chunks', s => s.count(chunksOf(loan.id, path)), 0)

/** @returns {Promise<Uint8Array>} bytes from one offset up to but not including another */
export const read = async (loan, path, from, to) => {
    const bytes = new Uint8Array(to - from)
    for (let number = Math.floor(from / CHUNK); number * CHUNK < to; number++) {
        const chunk = await readChunk(loan, path, number)
        const start = Math.max(0, from - number * CHUNK)
        const part = chunk.subarray(start, Math.min(chunk.length, to - number * CHUNK))
        bytes.set(part, number * CHUNK + start - from)
    }
    return bytes
}

/**
 * The loan while it lasts. When it is over its content goes, whether or not there is a connection; a clock that is set
 * back does not bring time back that has been seen.
 */
export const alive = async (id, now = Date.now()) => {
    const loan = await get(id)
    if (!loan || loan.ended) return null
    const seen = Math.max(now, loan.seen ?? 0)
    if (loan.due <= seen) {
        await remove(id, true)
        return null
    }
    if (seen > (loan.seen ?? 0) + 30_000) await put({ ...loan, seen })
    return loan
}
