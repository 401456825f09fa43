// What this window listens to, so that it goes on from page to page. Of all windows, one is heard at a time.

const KEPT = 'listening'

/** @returns {{address: string, plays: boolean}|null} where the small player of it is, and whether it plays */
export const listening = () => JSON.parse(sessionStorage.getItem(KEPT) ?? 'null')

export const listen = (address, plays) => sessionStorage.setItem(KEPT, JSON.stringify({ address, plays }))

export const listenNoMore = () => sessionStorage.removeItem(KEPT)

/** A page that has no small player: what was heard waits until one is there that has. */
export const waitToListen = () => {
    const now = listening()
    if (now) listen(now.address, false)
}

/**
 * @param {() => void} pause when another window begins
 * @returns {() => void} to be called when this one does
 */
export const oneAtATime = pause => {
    if (!globalThis.BroadcastChannel) return () => {}
    const windows = new BroadcastChannel('playing')
    windows.onmessage = pause
    return () => windows.postMessage('begins')
}
