// Answers for the network where there is none, and for the files of loans that are on this device.

import '../../exchange/push/push-worker.js'
import { alive, get, read } from './store.js'
import headersOf from '../../../../config/headers.json'

/** What one answer carries of a long file; whoever plays it asks for the rest. */
const MOST = 2_097_152
/** A connection that says nothing for so long is none, where the loan is here. */
const PATIENCE = 4_000

addEventListener('install', () => skipWaiting())
addEventListener('activate', event => event.waitUntil(clients.claim()))

const from = async (loan, path, request) => {
    const file = loan.files[path]
    if (!file) return new Response(null, { status: 404, headers: headersOf.every })
    // What the server sends with it, to the letter: of a file that it is inert, of the reader's page its own policy.
    const policy = path === '@page' ? { 'Content-Security-Policy': loan.policy } : headersOf.file
    const headers = {
        ...headersOf.every,
        ...policy,
        'Content-Type': file.type,
        'Accept-Ranges': 'bytes',
        'X-From': 'this device',
    }
    const range = /^bytes=(\d+)-(\d*)$/.exec(request.headers.get('Range') ?? '')
    if (!range) return new Response(await read(loan, path, 0, file.size), { headers })
    const first = Number(range[1])
    if (first >= file.size)
        return new Response(null, { status: 416, headers: { 'Content-Range': `bytes */${file.size}` } })
    const last = Math.min(file.size - 1, range[2] ? Number(range[2]) : Infinity, first + MOST - 1)
    return new Response(await read(loan, path, first, last + 1), {
        status: 206,
        headers: { ...headers, 'Content-Range': `bytes ${first}-${last}/${file.size}` },
    })
}

/**
 * A file of a loan: from this device where it is here, else from the library. It is for the reader and the player,
 * which ask for it as such; it is no page to go to, nor to be shown in a frame, and no script.
 */
const fileOf = async (id, path, request) => {
    if (request.mode === 'navigate' || !headersOf.destinations.includes(request.destination || 'empty'))
        return new Response(headersOf.refusal, {
            status: 403,
            headers: { ...headersOf.every, ...headersOf.file, 'Content-Type': 'text/plain; charset=utf-8' },
        })
    const known = await get(id)
    const loan = await alive(id)
    if (loan?.done) return from(loan, path, request)
    if (known && !loan) return new Response(null, { status: 410 })
    return fetch(request)
}

const patiently = (request, patience) =>
    Promise.race([
        fetch(request),
        new Promise((_, refuse) => setTimeout(() => refuse(new Error('no answer')), patience)),
    ])

const pageOf = async request => {
    const of = /^\/loans\/(\d+)\/(?:read|listen|watch)$/.exec(new URL(request.url).pathname)
    const loan = of && (await alive(of[1]))
    try {
        return await (loan?.done ? patiently(request, PATIENCE) : fetch(request))
    } catch (error) {
        if (loan?.done) return from(loan, '@page', request)
        const list = await caches.match('/offline')
        if (list) return list
        throw error
    }
}

addEventListener('fetch', event => {
    const { request } = event
    const url = new URL(request.url)
    if (request.method !== 'GET' || url.origin !== location.origin || request.headers.has('X-Take-Offline')) return
    const file = /^\/loans\/(\d+)\/files\/(.+)$/.exec(url.pathname)
    if (file) event.respondWith(fileOf(file[1], decodeURIComponent(file[2]), request))
    else if (request.mode === 'navigate') event.respondWith(pageOf(request))
    else if (url.pathname.startsWith('/build/') || /^\/titles\/\d+\/cover$|^\/icon\.svg$/.test(url.pathname)) {
        event.respondWith(
            caches.match(request, { ignoreSearch: true, ignoreVary: true }).then(kept => kept ?? fetch(request)),
        )
    }
})
