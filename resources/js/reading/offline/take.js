// Takes a loan offline, piece by piece, so that it can stop anywhere and go on from there.

import { CHUNK, chunksHere, get, newKey, put, writeChunk } from './store.js'

/** What one request asks for. */
const PIECE = 16 * CHUNK

export class NotAllowed extends Error {}

/**
 * All that the pages of reading and playing are made of; kept apart from loans, and not secret. What draws PDF is
 * large and comes with those alone.
 */
export const takeShell = async (also = [], withPdf = false) => {
    const shell = await caches.open('shell')
    const built = await (await fetch('/build/manifest.json')).json()
    const files = new Set(
        Object.values(built)
            .flatMap(entry => [entry.file, ...(entry.css ?? []), ...(entry.assets ?? [])])
            .map(file => `/build/${file}`)
            .filter(file => withPdf || !/\/pdf[.-]/.test(file)),
    )
    const wanted = ['/offline', '/icon.svg', ...files, ...also]
    // The page itself may have changed; the files it names never do.
    const missing = (
        await Promise.all(
            wanted.map(async address => (address === '/offline' || !(await shell.match(address)) ? address : null)),
        )
    ).filter(Boolean)
    await Promise.all(
        missing.map(async address => {
            const response = await fetch(address)
            if (response.ok) await shell.put(address, response)
        }),
    )
}

const sizeOf = files => Object.values(files).reduce((sum, file) => sum + file.size, 0)

/** Bytes that are here of all that there are. */
export const progressOf = async loan => {
    let here = 0
    for (const [path, { size }] of Object.entries(loan.files))
        here += Math.min(size, (await chunksHere(loan, path)) * CHUNK)
    return { here, size: sizeOf(loan.files) }
}

const begin = async ({ id, title, address, offline, cover }) => {
    const response = await fetch(offline, { headers: { Accept: 'application/json' } })
    if (!response.ok) throw new NotAllowed((await response.json().catch(() => ({}))).message ?? '')
    const { due, files } = await response.json()
    const page = await fetch(address, { headers: { Accept: 'text/html' } })
    if (!page.ok) throw new Error('The page did not come.')
    const html = new Uint8Array(await page.arrayBuffer())
    const loan = {
        id,
        title,
        address,
        cover,
        due,
        seen: Date.now(),
        taken: crypto.randomUUID(),
        key: await newKey(),
        done: false,
        policy: page.headers.get('Content-Security-Policy'),
        files: Object.fromEntries([
            ['@page', { size: html.length, type: 'text/html; charset=utf-8' }],
            ...files.map(([path, size, type]) => [path, { size, type }]),
        ]),
    }
    for (let n = 0; n * CHUNK < html.length; n++)
        await writeChunk(loan, '@page', n, html.subarray(n * CHUNK, (n + 1) * CHUNK))
    await put(loan)
    return loan
}

/**
 * Two windows that take the same loan do so one after the other: what one has, the other finds.
 *
 * @param {{id: string, title: string, address: string, files: string, offline: string, cover: string|null}} facts
 * @param {(here: number, size: number) => void} onProgress bytes
 * @param {AbortSignal} signal stops between two pieces
 */
export const take = (facts, onProgress, signal) =>
    navigator.locks.request(`take:${facts.id}`, { signal }, async () => {
        const known = await get(facts.id)
        const loan = known && !known.ended ? known : await begin(facts)
        await takeShell(facts.cover ? [facts.cover] : [], 'document.pdf' in loan.files)
        let { here, size } = await progressOf(loan)
        onProgress(here, size)
        for (const [path, { size: whole }] of Object.entries(loan.files)) {
            if (path === '@page') continue
            for (let at = (await chunksHere(loan, path)) * CHUNK; at < whole; at += PIECE) {
                const response = await fetch(`${facts.files}/${path.split('/').map(encodeURIComponent).join('/')}`, {
                    headers: {
                        Range: `bytes=${at}-${Math.min(whole, at + PIECE) - 1}`,
                        Accept: 'application/json, */*',
                        'X-Take-Offline': '1',
                    },
                    signal,
                    cache: 'no-store',
                })
                if (!response.ok) throw new NotAllowed()
                let bytes = new Uint8Array(await response.arrayBuffer())
                // Who does not know ranges sends all of it.
                if (response.status === 200) bytes = bytes.subarray(at, at + PIECE)
                for (let n = 0; n * CHUNK < bytes.length; n++) {
                    await writeChunk(loan, path, at / CHUNK + n, bytes.subarray(n * CHUNK, (n + 1) * CHUNK))
                }
                here += bytes.length
                onProgress(here, size)
            }
        }
        await put({ ...(await get(loan.id)), done: true })
        navigator.storage?.persist?.()
    })
