// Plays sound and video: parts one after another as one whole, with its place kept, as one likes to hear it.

import { Captions } from './captions.js'
import { Controls } from './controls.js'
import { Film } from './film.js'
import { Level } from './level.js'
import { listen, listenNoMore, listening, oneAtATime } from './listening.js'
import { asksFirst } from '../offline/device.js'
import { get } from '../offline/store.js'
import { followEnd } from '../reader/loan-end.js'
import { isForgotten } from '../marks/kept.js'
import { Marks } from '../marks/marks.js'
import { Display } from './display.js'
import { KeptPlace } from './kept-place.js'
import { say } from '../reader/notice.js'
import { ReadingLog } from '../places/reading-log.js'
import { Queue } from '../places/queue.js'
import { Relay } from '../places/relay.js'
import { Settings } from './settings.js'
import { afterSilence } from './silences.js'
import { SleepTimer } from './sleep-timer.js'
import { Timeline, clock } from './timeline.js'

/** So many seconds before the end, what comes next is fetched. */
const PREPARE = 15

/** Back goes to the part before only within so many seconds of this one's beginning. */
const JUST_BEGUN = 3

const $ = id => document.getElementById(id)

export class Player {
    #part = 0
    #wantsToPlay = false

    /** Whether the window shows another page by now. */
    #isLeft = false

    /** Whether sound and film may come over the network: not where one is asked first, since the connection costs. */
    #allowed = true

    /** Where in the part that is being loaded it will begin; null once it is there. */
    #awaited = null

    /** Where the seek bar is being dragged to; null while it follows what plays. */
    #dragged = null

    /** @param {object} data what the page says of the publication and the loan, in its own script element */
    constructor(data) {
        this.data = data
        this.media = new Relay($('media'))
        this.timeline = new Timeline(data.parts)
        this.settings = new Settings()
        this.level = new Level(this.media, this.settings)
        this.captions = new Captions(this.media.current, $('player'))
        this.display = new Display(data, this.timeline)
        this.queue = new Queue(data.texts)
        this.sleep = new SleepTimer({
            texts: data.texts,
            stop: () => {
                this.media.pause()
                say(data.texts.sleep_stopped)
            },
            fade: share => (this.level.fade = share),
        })
        const over = () => {
            this.media.clear()
            listenNoMore()
            say(data.texts.loan_over)
        }
        followEnd(data, over, say)
        this.place = new KeptPlace(data, this.timeline, {
            where: () => ({ part: this.#part, seconds: this.#inPart }),
            over,
        })
        this.log = data.records && data.keep ? new ReadingLog(data.keep) : null
        this.media.removeControls()
        if ($('bar')) $('bar').hidden = false
        this.begins = oneAtATime(() => this.media.pause())
        this.settings.onChange(name => name === 'speed' && this.#setSpeed())
        this.#followMedia()
        this.#followWindow()
        this.film = data.film ? new Film(this) : null
        new Controls(this)
    }

    // ---- Place

    get #inPart() {
        return this.#awaited ?? this.media.currentTime
    }

    get #here() {
        return this.timeline.whole(this.#part, this.#inPart)
    }

    // ---- Playing

    #load(index, at) {
        const { data, media } = this
        this.#part = index
        const ready = this.#allowed && at === 0 && media.takeOver(data.parts[index].address)
        if (this.#allowed && !ready) media.src = data.parts[index].address
        this.#setSpeed()
        this.level.gain = data.parts[index].gain
        this.#awaited = ready ? null : at
        this.captions.fill(data.parts[index].captions)
        this.#show(this.timeline.whole(index, at))
        if (this.#wantsToPlay) this.play()
    }

    play() {
        if (!this.#allowed) return this.#askToPlay()
        this.#wantsToPlay = true
        this.level.begin()
        this.media.play().catch(error => {
            if (error.name !== 'AbortError') this.#failed()
        })
    }

    /** As before the page was changed; a browser may want to be asked anew. */
    playIfAllowed() {
        if (!this.#allowed) return
        this.#wantsToPlay = true
        this.level.begin()
        this.media.play().catch(() => {
            this.#wantsToPlay = false
            this.#showPlaying()
        })
    }

    #setSpeed() {
        this.media.playbackRate = this.settings.get('speed')
    }

    #askToPlay() {
        this.#wantsToPlay = false
        say(this.data.texts.costs, [
            this.data.texts.anyway,
            () => {
                this.#allowed = true
                this.#load(this.#part, this.#inPart)
                this.play()
            },
        ])
    }

    /** @param {number} whole seconds from the beginning of all parts */
    goTo(whole) {
        const to = this.timeline.at(Math.max(0, Math.min(this.timeline.total - 0.2, whole)))
        if (to.part === this.#part && this.media.readyState > 0) {
            this.#awaited = null
            this.media.currentTime = to.seconds
            this.#show()
            this.place.keep(true)
        } else {
            this.#load(to.part, to.seconds)
        }
    }

    #goToPart(index) {
        if (index >= 0 && index < this.data.parts.length) this.goTo(this.timeline.whole(index, 0))
    }

    #failed() {
        this.#wantsToPlay = false
        this.#showPlaying()
        say(this.data.texts.cannot_play)
    }

    /** A browser may not be able to go there yet; until it is there, the place is where it is to begin. */
    #beginAtAwaited() {
        if (this.#awaited === null) return
        if (this.#awaited > 0) this.media.currentTime = this.#awaited
        if (Math.abs(this.media.currentTime - this.#awaited) < 1) this.#awaited = null
    }

    #followMedia() {
        const { media, data } = this
        for (const event of ['loadedmetadata', 'loadeddata', 'canplay', 'canplaythrough'])
            media.addEventListener(event, () => this.#beginAtAwaited())
        media.addEventListener('play', () => {
            this.#wantsToPlay = true
            this.#showPlaying()
            this.begins()
            if (data.small) listen(data.small, true)
        })
        media.addEventListener('pause', () => {
            if (media.ended) return
            this.#wantsToPlay = false
            this.#showPlaying()
            if (data.small && listening()?.address === data.small && !this.#isLeft) listen(data.small, false)
            this.log?.stopped(this.#here)
            this.place.keep(true)
        })
        media.addEventListener('timeupdate', () => this.#advanced())
        media.addEventListener('ended', () => this.#ended())
        media.addEventListener('error', () => media.error && this.#failed())
        media.addEventListener('waiting', () => $('player').setAttribute('aria-busy', 'true'))
        media.addEventListener('playing', () => $('player').removeAttribute('aria-busy'))
    }

    /** A page that is left goes on as another, and one that is come back to is where that one has come to. */
    #followWindow() {
        addEventListener('pagehide', () => {
            this.#isLeft = true
        })
        addEventListener('pageshow', event => {
            if (!event.persisted) return
            this.#isLeft = false
            const now = listening()
            if (!$('bar') && now?.address !== this.data.small) return $('stop').click()
            this.goTo(this.place.newest())
            if (now?.plays && now.address === this.data.small) this.playIfAllowed()
        })
    }

    #shortenSilence() {
        const { media, data } = this
        if (!this.settings.get('shorten') || this.#awaited !== null) return
        const to = afterSilence(data.parts[this.#part].silences, media.currentTime)
        if (to !== null) media.currentTime = to
    }

    #advanced() {
        const { media, data } = this
        this.#show()
        if (media.paused) return
        this.#shortenSilence()
        this.log?.played(this.#here)
        this.place.keep()
        const next = data.parts[this.queue.next(this.#part)]
        if (media.duration - media.currentTime < PREPARE && next) media.prepare(next.address)
    }

    #ended() {
        this.log?.stopped(this.#here)
        const stop = this.sleep.endsWithPart()
        const next = this.queue.take(this.#part)
        if (next < this.data.parts.length) {
            this.#wantsToPlay &&= !stop
            this.#load(next, 0)
            this.place.keep(true)
        } else {
            this.#wantsToPlay = false
            this.place.keep(true)
            listenNoMore()
            if (!this.data.keep) say(this.data.texts.excerpt_over)
        }
        this.#showPlaying()
    }

    // ---- Showing

    #show(whole = this.#dragged ?? this.#here) {
        this.display.place(this.#part, whole, this.media.playbackRate)
    }

    #showPlaying() {
        this.display.playing(this.#part, this.#wantsToPlay)
    }

    // ---- What is asked of it

    toggle() {
        return this.media.paused ? this.play() : this.media.pause()
    }

    pause() {
        this.media.pause()
    }

    /** @param {number} seconds on, or back */
    step(seconds) {
        this.goTo(this.#here + seconds)
    }

    next() {
        this.#goToPart(this.#part + 1)
    }

    /** Back to the beginning of this part, or to the one before where it has only just begun. */
    before() {
        this.#goToPart(this.#inPart > JUST_BEGUN ? this.#part : this.#part - 1)
    }

    playPart(index) {
        this.#wantsToPlay = true
        this.#goToPart(index)
        this.play()
    }

    /** Shows where one would come to; nothing is heard from there yet. */
    dragTo(whole) {
        this.#dragged = whole
        this.#show()
    }

    dropAt(whole) {
        this.#dragged = null
        this.goTo(whole)
    }

    // ---- Opening

    /** Makes ready to play where it was left. */
    async open() {
        const { data, timeline } = this
        const { beginning } = data
        // Loaded again, it goes on where it was.
        if (beginning) history.replaceState(null, '', location.pathname)
        const from = beginning ? timeline.ofPlace(beginning.locator) : this.place.newest()
        const first = timeline.at(Math.min(from, Math.max(0, timeline.total - 1)))
        const onDevice = async () => Boolean(data.keep && (await get(data.keep.split('/')[2]))?.done)
        this.#allowed = !asksFirst(data.film ? 'film' : 'sound') || (await onDevice())
        // Somebody signed out meanwhile.
        if (isForgotten()) return
        this.#load(first.part, first.seconds)
        this.#showPlaying()
        this.place.sendUnsent()
        if ($('bar')) this.place.offerOtherDevice(from, at => this.goTo(at))
        if (data.marks && $('bookmark-box')) {
            new Marks({
                address: data.marks,
                token: data.token,
                box: $('bookmark-box'),
                texts: data.texts,
                where: () => ({
                    locator: this.place.locator(),
                    label: `${clock(this.#here)}, ${data.parts[this.#part].name}`,
                }),
                go: locator => this.goTo(timeline.ofPlace(locator)),
            })
        }
        $('player').dataset.ready = 'yes'
    }
}
