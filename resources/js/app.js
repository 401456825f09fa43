import htmx from 'htmx.org'
import { singleKeysAct, watchKeys } from './account/preferences/keys.js'
import { watchChoices } from './catalogue/search/choices.js'
import { watchHistograms } from './catalogue/search/histogram.js'
import { watchShare } from './catalogue/records/share.js'
import { watchSuggestions } from './catalogue/suggestions/suggestions.js'
import { sendOnce } from './desk/setup/send-once.js'
import { cardHere, inUse, pushed } from './reading/offline/flag.js'
import { forgetKept, sendAllKept } from './reading/marks/kept.js'

// No styles and no code from markup: the Content-Security-Policy forbids both.
htmx.config.includeIndicatorStyles = false
htmx.config.allowEval = false
htmx.config.selfRequestsOnly = true
htmx.config.scrollIntoViewOnBoost = false
// A refusal is an answer: it is shown where it was asked for.
htmx.config.responseHandling = [
    { code: '204', swap: false },
    { code: '[23]..', swap: true },
    { code: '422', swap: true },
    { code: '...', swap: false, error: true },
]

const token = document.querySelector('meta[name=csrf-token]')?.content
document.addEventListener('htmx:configRequest', event => {
    event.detail.headers['X-CSRF-TOKEN'] = token
})
// When a part of the page cannot be fetched, the plain form or link does the same.
document.addEventListener('htmx:responseError', event => {
    const element = event.detail.elt
    if (element instanceof HTMLFormElement) element.submit()
    else if (element instanceof HTMLAnchorElement) location.assign(element.href)
})

// What was read and marked without a network goes to the library from whichever page comes first.
if (document.querySelector('form[action$="/sign-out"]')) {
    sendAllKept(token)
    addEventListener('online', () => sendAllKept(token))
}
// Loans on this device: only where there are any, or where they can be taken, is more than a flag looked at.
if (document.querySelector('[data-offline]')) import('./reading/offline/rows.js').then(({ showRows }) => showRows())
if (inUse()) import('./reading/offline/device.js').then(({ reconcile }) => reconcile())
else if (pushed()) import('./reading/offline/device.js').then(({ register }) => register())
// Who signs out leaves nothing of theirs on the device, and loses nothing that the library has not got yet.
for (const form of document.querySelectorAll('form[action="/sign-out"]')) {
    form.addEventListener('submit', async event => {
        event.preventDefault()
        const playing = () => document.querySelectorAll('audio, video')
        for (const media of playing()) media.pause()
        // Not for ever: a network that says nothing keeps nobody signed in.
        await Promise.race([sendAllKept(token), new Promise(done => setTimeout(done, 3000))])
        forgetKept()
        try {
            // What is taken off the device is not played on.
            for (const media of playing()) {
                media.removeAttribute('src')
                media.load()
            }
            if (pushed()) await (await import('./exchange/push/push.js')).turnOff(token)
            if (inUse()) await (await import('./reading/offline/device.js')).forgetAll()
            if (cardHere()) await (await import('./lending/cards/kept-card.js')).forgetCards()
        } finally {
            form.submit()
        }
    })
}

// What is listened to in this window goes on at the edge of the page.
if (sessionStorage.getItem('listening'))
    import('./reading/player/small.js').then(({ showSmallPlayer }) => showSmallPlayer())

const settings = document.querySelector('[data-settings]')
if (settings) import('./account/preferences/autosave.js').then(({ watchSettings }) => watchSettings(settings))

const leaving = document.getElementById('leaving')
if (leaving) import('./account/devices/leave.js').then(({ watchLeaving }) => watchLeaving(leaving, token))

const device = document.querySelector('[data-push]')
if (device) import('./exchange/push/push.js').then(({ watchDevice }) => watchDevice(device, token))

watchHistograms()
watchSuggestions()
watchShare()

document.querySelector('[data-print]')?.addEventListener('click', () => print())

const uploads = document.querySelector('form[data-upload]')
if (uploads) import('./desk/uploads/uploads.js').then(({ watchUploads }) => watchUploads(uploads, token))

const code = document.querySelector('canvas[data-qr]')
if (code) import('./desk/sign-in/qr.js').then(({ drawCode }) => drawCode(code))
const barcode = document.querySelector('canvas[data-symbology]')
if (barcode) import('./lending/cards/barcode.js').then(({ drawBarcode }) => drawBarcode(barcode))

const ownCard = document.querySelector('section[data-card]')
if (ownCard && 'serviceWorker' in navigator)
    import('./lending/cards/kept-card.js').then(({ watchCard }) => watchCard(ownCard))

document.querySelectorAll('form[data-send-once]').forEach(form => sendOnce(form))

watchChoices()

const keys = document.getElementById('keys')
if (keys) watchKeys(keys)

// Where the keys lead: "/" to the search, "g" and a letter to a place.
const places = { p: '/porch', c: '/catalogue', l: '/loans', h: '/holds', r: '/rooms', b: '/baskets' }
let afterG = 0
document.addEventListener('keydown', event => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest('input, select, textarea')) return
    if (!singleKeysAct() || document.querySelector('dialog[open]') || location.pathname.startsWith('/desk')) return
    if (Date.now() - afterG < 1500 && places[event.key]) {
        location.assign(places[event.key])
    } else if (event.key === '/') {
        event.preventDefault()
        document.getElementById('words')?.focus()
    } else if (event.key === 'h') {
        document.getElementById('open-help')?.click()
    } else if (event.key === 'g') {
        afterG = Date.now()
    }
})

// What unfolds over the page folds again, and gives the focus back.
document.addEventListener('keydown', event => {
    const menu = event.key === 'Escape' && document.querySelector('details[data-menu][open]')
    if (!menu) return
    menu.open = false
    menu.querySelector('summary').focus()
})

// The panel that opens in place gets the focus, and Escape closes it.
document.addEventListener('htmx:afterSwap', event => {
    event.detail.target.querySelector('[data-focus]')?.focus()
})
document.addEventListener('keydown', event => {
    const panel = event.key === 'Escape' && event.target.closest('[data-closable]')
    if (panel) {
        const slot = panel.parentElement
        slot.replaceChildren()
        document.getElementById(slot.dataset.opener)?.focus()
    }
})
document.addEventListener('click', event => {
    const closer = event.target.closest('[data-close]')
    if (!closer) return
    const slot = closer.closest('[data-closable]')?.parentElement
    if (slot) {
        event.preventDefault()
        slot.replaceChildren()
        document.getElementById(slot.dataset.opener)?.focus()
    }
})
