// This device as a place for loans: whether anything is here, what the library says of it, and how it is cleared.

import workerAddress from './worker.js?worker&url'
import { cardHere, inUse, pushed, setInUse } from './flag.js'
import { all, get, put, remove } from './store.js'

export const possible = () => 'serviceWorker' in navigator && 'indexedDB' in window && Boolean(crypto.subtle)

/** A newer worker comes with a newer address. */
export const register = () => navigator.serviceWorker.register(workerAddress, { scope: '/', type: 'module' })

/** @returns {Promise<ServiceWorkerRegistration>} */
export const makeReady = async () => {
    await register()
    return navigator.serviceWorker.ready
}

/** The worker goes when nothing needs it. */
export const release = async () => {
    if (inUse() || pushed() || cardHere()) return
    for (const registration of await navigator.serviceWorker.getRegistrations()) await registration.unregister()
}

export const forget = async id => {
    await remove(id)
    if ((await all()).length) return
    setInUse(false)
    if (!cardHere()) await caches.delete('shell')
    await release()
}

export const forgetAll = async () => {
    for (const { id } of await all()) await forget(id)
}

/**
 * At each contact with the library: loans that have ended elsewhere leave this device, renewed ones stay longer.
 *
 * @returns {Promise<boolean>} whether anything changed
 */
export const reconcile = async () => {
    if (!inUse()) return false
    const response = await fetch('/offline/loans', { headers: { Accept: 'application/json' } }).catch(() => null)
    // Without a sign-in nothing is known of loans, and what is here stays until it is due.
    if (!response?.ok) return false
    const open = new Map((await response.json()).map(({ id, due }) => [String(id), due]))
    let changed = false
    for (const { id, due, ended } of await all()) {
        if (ended || !open.has(id)) {
            await forget(id)
            changed = true
        } else if (open.get(id) !== due) {
            await put({ ...(await get(id)), due: open.get(id) })
            changed = true
        }
    }
    if (inUse()) await register()
    return changed
}

// ---- What costs: by choice on this device, or of the person on all of theirs.

export const dataSaver = () => localStorage.getItem('data-saver') === 'yes'
export const setDataSaver = on =>
    on ? localStorage.setItem('data-saver', 'yes') : localStorage.removeItem('data-saver')

/** Whether the connection says that it costs; where it says nothing, it does not. */
export const metered = () => navigator.connection?.saveData === true || navigator.connection?.type === 'cellular'

/** Whether a person wants to be asked, on all their devices, before 'offline', 'sound' or 'film' costs. */
const wantsToBeAsked = what => (document.documentElement.dataset.askOnMobile ?? '').split(' ').includes(what)

/** Whether 'offline', 'sound' or 'film' is not fetched over this connection before one was asked. */
export const asksFirst = what => metered() && (dataSaver() || wantsToBeAsked(what))
