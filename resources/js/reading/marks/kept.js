// Places and marks that wait in this browser until they can be sent, from whichever page has a connection first.

export const json = token => ({ 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token })

export const unsentPlace = address => JSON.parse(localStorage.getItem(`place:${address}`) ?? 'null')
export const unsentMarks = address => JSON.parse(localStorage.getItem(`marks:${address}`) ?? '{}')

export const thisDevice = () => {
    let id = localStorage.getItem('device')
    if (!id) localStorage.setItem('device', (id = crypto.randomUUID()))
    return id
}

const deviceName = () => {
    const phone = matchMedia('(max-width: 600px)').matches
    const tablet = !phone && matchMedia('(pointer: coarse)').matches
    return phone ? 'phone' : tablet ? 'tablet' : 'computer'
}

/** What fits into one letter to the library. */
const READINGS_AT_ONCE = 150
/** Months of reading off line; beyond that the oldest goes. */
const MOST_READINGS = 5000

const unsentReadings = address => JSON.parse(localStorage.getItem(`read:${address}`) ?? '[]')

/** Once somebody has signed out, in this window or another, a page keeps and sends nothing more: it is of nobody. */
let forgotten = false
export const isForgotten = () => forgotten
const TOLD = 'signed-out'
globalThis.addEventListener?.('storage', ({ key }) => {
    if (key === TOLD) forgotten = true
})

/** @param {{from: number, to: number, seconds?: number, pages: number}} reading that goes with the next place */
export const keepReading = (address, reading) => {
    if (forgotten) return
    const all = unsentReadings(address)
    const last = all.at(-1)
    // One sitting is one, whether text or media.
    if (last && last.to === reading.from && (last.seconds === undefined) === (reading.seconds === undefined)) {
        last.to = reading.to
        last.pages += reading.pages
        if (last.seconds !== undefined) last.seconds += reading.seconds
    } else all.push(reading)
    localStorage.setItem(`read:${address}`, JSON.stringify(all.slice(-MOST_READINGS)))
}

/** Takes out what the library has; what went on meanwhile stays, and the library knows what it had of it. */
const readingsTaken = (address, sent) => {
    const left = unsentReadings(address).filter(of => !sent.some(had => had.from === of.from && had.to === of.to))
    if (left.length) localStorage.setItem(`read:${address}`, JSON.stringify(left))
    else localStorage.removeItem(`read:${address}`)
}

/** @returns {Promise<Response>} */
export const sendPlace = async (address, token, place) => {
    const read = unsentReadings(address).slice(0, READINGS_AT_ONCE)
    const response = await fetch(address, {
        method: 'PUT',
        keepalive: true,
        headers: json(token),
        body: JSON.stringify({
            ...place,
            ...(read.length ? { read } : {}),
            sent_at: Date.now(),
            device: thisDevice(),
            device_name: deviceName(),
        }),
    })
    if (response.ok || [404, 410, 422].includes(response.status)) readingsTaken(address, read)
    return response
}

/** @returns {Promise<Response>} */
export const sendMark = (address, token, id, change) =>
    fetch(`${address}/${id}`, {
        method: 'PUT',
        keepalive: true,
        headers: json(token),
        body: JSON.stringify({ ...change, sent_at: Date.now() }),
    })

/** Taken, or never to be taken; anything else is tried again later. */
export const settled = (response, never) => response.ok || never.includes(response.status)

/** Whatever any loan has waiting here. */
export const sendAllKept = async token => {
    for (const key of Object.keys(localStorage)) {
        const [kind, address] = key.split(/:(.*)/)
        try {
            if (kind === 'place') {
                const place = unsentPlace(address)
                if (
                    place &&
                    settled(await sendPlace(address, token, place), [404, 410, 422]) &&
                    unsentPlace(address)?.read_at === place.read_at
                )
                    localStorage.removeItem(key)
            } else if (kind === 'marks') {
                for (const [id, change] of Object.entries(unsentMarks(address))) {
                    if (!settled(await sendMark(address, token, id, change), [404, 409, 422])) continue
                    const now = unsentMarks(address)
                    if (now[id]?.changed_at === change.changed_at) delete now[id]
                    localStorage.setItem(key, JSON.stringify(now))
                }
                if (!Object.keys(unsentMarks(address)).length) localStorage.removeItem(key)
            }
        } catch {
            // No connection yet.
            return
        }
    }
}

/** Puts away what this browser keeps of whoever was signed in: places, marks, and how quickly they read. */
export const forgetKept = () => {
    forgotten = true
    // Only other windows hear of it.
    localStorage.setItem(TOLD, 'yes')
    localStorage.removeItem(TOLD)
    for (const key of Object.keys(localStorage))
        if (/^((place|last|marks|read):|pace$)/.test(key)) localStorage.removeItem(key)
}
