// Plays sound and video: parts one after another as one whole, with its place kept, a speed, a sleep timer and
// captions.

import { Captions } from './captions.js'
import { savingData } from '../offline/device.js'
import { get } from '../offline/store.js'
import { endAt } from '../reader/loan-end.js'
import { Marks } from '../marks/marks.js'
import { Display } from './display.js'
import { fill, say } from '../reader/notice.js'
import { furthestElsewhere } from '../places/other-devices.js'
import { PlaceKeeper } from '../places/place-keeper.js'
import { Queue } from '../places/queue.js'
import { Relay } from '../places/relay.js'
import { SleepTimer } from './sleep-timer.js'
import { Timeline, clock } from './timeline.js'

const data = JSON.parse(document.getElementById('player-data').textContent)
const $ = id => document.getElementById(id)

const STEP = 15
const KEEP_EVERY = 5000
/** So long before the end, what comes next is fetched. */
const PREPARE = 15

const media = new Relay($('media'))
const timeline = new Timeline(data.parts)
const captions = new Captions(media.current, $('player'))
let part = 0
let wantsToPlay = false
let keptAt = 0
/** Whether sound and film may come over the network: not where data saver is on and the connection costs. */
let allowed = true
/** Where in the part that is being loaded it will begin; null once it is there. */
let awaited = null
/** Where the seek bar is being dragged to; null while it follows what plays. */
let dragged = null

media.removeControls()
$('bar').hidden = false

const queue = new Queue(data.texts)

// ---- Place

const over = () => {
    media.clear()
    say(data.texts.loan_over)
}
endAt(data.due, over)

const keeper =
    data.keep &&
    new PlaceKeeper({ address: data.keep, token: data.token, onEnded: over, onOffline: () => say(data.texts.offline) })

const inPart = () => awaited ?? media.currentTime

const place = () => {
    const at = inPart()
    return {
        href: data.parts[part].path,
        type: data.parts[part].type,
        title: data.parts[part].name,
        locations: {
            progression: Math.min(1, at / (data.parts[part].seconds || 1)),
            totalProgression: Math.min(1, timeline.whole(part, at) / (timeline.total || 1)),
            fragments: [`t=${at.toFixed(1)}`],
        },
    }
}

/** A little while after something was heard; at once when playing stops. */
const keep = (now = false) => {
    if (!keeper || (!now && Date.now() - keptAt < KEEP_EVERY)) return
    keptAt = Date.now()
    keeper.keep(place())
    if (now) keeper.send()
}

const seconds = locator => {
    const index = data.parts.findIndex(p => p.path === locator.href)
    const fragment = locator.locations.fragments?.find(f => f.startsWith('t='))
    return index < 0
        ? locator.locations.totalProgression * timeline.total
        : timeline.whole(
              index,
              fragment ? Number(fragment.slice(2)) : locator.locations.progression * data.parts[index].seconds,
          )
}

// ---- Playing

const load = (index, at) => {
    part = index
    const ready = allowed && at === 0 && media.takeOver(data.parts[index].address)
    if (allowed && !ready) media.src = data.parts[index].address
    media.playbackRate = Number($('speed').value)
    awaited = ready ? null : at
    captions.fill(data.parts[index].captions)
    show(timeline.whole(index, at))
    if (wantsToPlay) play()
}

const play = () => {
    if (!allowed) return askToPlay()
    wantsToPlay = true
    media.play().catch(error => {
        if (error.name !== 'AbortError') failed()
    })
}

const askToPlay = () => {
    wantsToPlay = false
    say(data.texts.costs, [
        data.texts.anyway,
        () => {
            allowed = true
            load(part, inPart())
            play()
        },
    ])
}

const goTo = whole => {
    const to = timeline.at(Math.max(0, Math.min(timeline.total - 0.2, whole)))
    if (to.part === part && media.readyState > 0) {
        awaited = null
        media.currentTime = to.seconds
        show()
        keep(true)
    } else {
        load(to.part, to.seconds)
    }
}

const here = () => timeline.whole(part, inPart())
const goToPart = index => index >= 0 && index < data.parts.length && goTo(timeline.whole(index, 0))

/** Back to the beginning of this part, or to the one before where it has only just begun. */
const before = () => goToPart(inPart() > 3 ? part : part - 1)

const failed = () => {
    wantsToPlay = false
    showPlaying()
    say(data.texts.cannot_play)
}

const sleep = new SleepTimer($('sleep'), () => {
    media.pause()
    say(data.texts.sleep_stopped)
})

/** A browser may not be able to go there yet; until it is there, the place is where it is to begin. */
const beginAtAwaited = () => {
    if (awaited === null) return
    if (awaited > 0) media.currentTime = awaited
    if (Math.abs(media.currentTime - awaited) < 1) awaited = null
}
for (const event of ['loadedmetadata', 'loadeddata', 'canplay', 'canplaythrough'])
    media.addEventListener(event, beginAtAwaited)
media.addEventListener('play', () => {
    wantsToPlay = true
    showPlaying()
})
media.addEventListener('pause', () => {
    if (media.ended) return
    wantsToPlay = false
    showPlaying()
    keep(true)
})
media.addEventListener('timeupdate', () => {
    show()
    if (media.paused) return
    keep()
    const next = queue.next(part)
    if (media.duration - media.currentTime < PREPARE && data.parts[next]) media.prepare(data.parts[next].address)
})
media.addEventListener('ended', () => {
    const stop = sleep.endsWithPart()
    const next = queue.take(part)
    if (next < data.parts.length) {
        wantsToPlay &&= !stop
        load(next, 0)
        keep(true)
    } else {
        wantsToPlay = false
        keep(true)
        if (!data.keep) say(data.texts.excerpt_over)
    }
    showPlaying()
})
media.addEventListener('error', () => media.error && failed())
media.addEventListener('waiting', () => $('player').setAttribute('aria-busy', 'true'))
media.addEventListener('playing', () => $('player').removeAttribute('aria-busy'))

// ---- Showing

const display = new Display(data, timeline)
const show = (whole = dragged ?? here()) => display.place(part, whole, media.playbackRate)
const showPlaying = () => display.playing(part, wantsToPlay)

// ---- Keys

const toggle = () => (media.paused ? play() : media.pause())
const setSpeed = value => {
    $('speed').value = value
    media.playbackRate = Number($('speed').value)
    localStorage.setItem('player:speed', $('speed').value)
}
const changeSpeed = by => {
    const index = $('speed').selectedIndex + by
    if (index >= 0 && index < $('speed').options.length) setSpeed($('speed').options[index].value)
}
$('play').onclick = toggle
$('back').onclick = () => goTo(here() - STEP)
$('on').onclick = () => goTo(here() + STEP)
$('seek').oninput = () => {
    dragged = Number($('seek').value)
    show()
}
$('seek').onchange = () => {
    dragged = null
    goTo(Number($('seek').value))
}
$('speed').onchange = () => setSpeed($('speed').value)
if ($('before')) {
    $('before').onclick = before
    $('after').onclick = () => goToPart(part + 1)
}
for (const button of document.querySelectorAll('[data-part]')) {
    button.onclick = () => {
        wantsToPlay = true
        goToPart(Number(button.dataset.part))
        play()
    }
}
addEventListener('keydown', event => {
    if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        (event.target.closest('select, input[type=range], button, a') && [' ', 'Enter'].includes(event.key))
    )
        return
    if (event.target.closest('select, input, textarea, summary')) return
    const act = {
        ' ': toggle,
        ArrowLeft: $('back').onclick,
        ArrowRight: $('on').onclick,
        ArrowUp: () => changeSpeed(1),
        ArrowDown: () => changeSpeed(-1),
    }[event.key]
    if (!act) return
    event.preventDefault()
    act()
})
if (navigator.mediaSession) {
    const handlers = {
        play,
        pause: () => media.pause(),
        seekbackward: $('back').onclick,
        seekforward: $('on').onclick,
        previoustrack: before,
        nexttrack: () => goToPart(part + 1),
        seekto: e => goTo(e.seekTime),
    }
    for (const [action, handler] of Object.entries(handlers)) navigator.mediaSession.setActionHandler(action, handler)
}

// ---- Opening

const offerOtherDevice = async from => {
    const furthest = await furthestElsewhere(data.places, seconds)
    if (furthest && seconds(furthest.locator) > from + STEP) {
        say(
            fill(data.texts.further_on, {
                device: data.texts.devices[furthest.device_name] ?? furthest.device_name,
                time: clock(seconds(furthest.locator)),
            }),
            [data.texts.go_there, () => goTo(seconds(furthest.locator))],
            [data.texts.stay],
        )
    }
}

const speed = localStorage.getItem('player:speed')
if (speed && [...$('speed').options].some(o => o.value === speed)) $('speed').value = speed
const start = keeper ? keeper.newest(data.place, data.placed_at) : data.place
const from = start ? seconds(start) : 0
const first = timeline.at(Math.min(from, Math.max(0, timeline.total - 1)))
allowed = !savingData() || Boolean(data.keep && (await get(data.keep.split('/')[2]))?.done)
load(first.part, first.seconds)
showPlaying()
keeper?.send()
offerOtherDevice(from)
if (data.marks) {
    new Marks({
        address: data.marks,
        token: data.token,
        box: $('bookmark-box'),
        texts: data.texts,
        where: () => ({ locator: place(), label: `${clock(here())}, ${data.parts[part].name}` }),
        go: locator => goTo(seconds(locator)),
    })
}
$('player').dataset.ready = 'yes'
