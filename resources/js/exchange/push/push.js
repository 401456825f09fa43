// Notices of the library on this device, also while no page of it is open.

import { makeReady, release } from '../../reading/offline/device.js'
import { pushed, setPushed } from '../../reading/offline/flag.js'

const possible = () => 'serviceWorker' in navigator && 'PushManager' in window && 'Notification' in window

const post = (address, body, token) =>
    fetch(address, {
        method: 'POST',
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': token },
    })

const subscription = async () => (await navigator.serviceWorker.getRegistration())?.pushManager.getSubscription()

/** @returns {Promise<'on' | 'denied' | 'failed'>} */
const turnOn = async (key, token) => {
    if ((await Notification.requestPermission()) !== 'granted') return 'denied'
    try {
        const { pushManager } = await makeReady()
        const given = await pushManager.subscribe({ userVisibleOnly: true, applicationServerKey: key })
        if (!(await post('/settings/devices', given, token)).ok) throw new Error('The library did not take it.')
        setPushed(true)
        return 'on'
    } catch {
        await release()
        return 'failed'
    }
}

/** The library hears of it first; where it does not, its next message finds nobody, and that is the end of it. */
export const turnOff = async token => {
    const given = await subscription()
    if (given) {
        await post('/settings/devices/forget', { endpoint: given.endpoint }, token).catch(() => {})
        await given.unsubscribe()
    }
    setPushed(false)
    await release()
}

/** SHA-256: by it the page knows this device without giving endpoints away. */
const fingerprint = async text =>
    [...new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)))]
        .map(byte => byte.toString(16).padStart(2, '0'))
        .join('')

/** The part of the settings that is about this device. */
export const watchDevice = async (part, token) => {
    const [on, off, said] = ['on', 'off', 'said'].map(name => part.querySelector(`[data-push-${name}]`))
    const say = text => {
        said.textContent = text
        said.hidden = false
    }
    if (!possible()) return say(part.dataset.impossible)
    on.addEventListener('click', async () => {
        on.disabled = true
        const outcome = await turnOn(part.dataset.push, token)
        if (outcome === 'on') return location.reload()
        on.disabled = false
        say(part.dataset[outcome])
    })
    off.addEventListener('click', async () => {
        await turnOff(token)
        location.reload()
    })
    // Removed from the list elsewhere, or given a new endpoint by the browser, it is off on both sides.
    const given = pushed() ? await subscription() : null
    const row = given ? part.querySelector(`[data-endpoint="${await fingerprint(given.endpoint)}"]`) : null
    if (pushed() && !row) await turnOff(token)
    row?.querySelector('[data-this-device]').removeAttribute('hidden')
    row?.querySelector('form').remove()
    on.hidden = Boolean(row)
    off.hidden = !row
}
