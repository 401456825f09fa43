// Where one is in what plays: kept in this browser each second, by the library now and then and whenever it stops.

import { furthestElsewhere } from '../places/other-devices.js'
import { PlaceKeeper } from '../places/place-keeper.js'
import { fill, say } from '../reader/notice.js'
import { clock } from './timeline.js'

/** Milliseconds between two times that the place is kept while it plays: in this browser, and by the library. */
const KEEP_EVERY = 1000
const SEND_EVERY = 15_000

/** Another device that is no more than so many seconds further on is at the same place. */
const FURTHER = 15

export class KeptPlace {
    #keptAt = 0
    #sentAt = 0

    /** Whether anything was heard or moved since the page was opened. */
    #isMoved = false

    /**
     * @param {object} data as the player has it; of an excerpt nothing is kept
     * @param {import('./timeline.js').Timeline} timeline
     * @param {{where: () => {part: number, seconds: number}, over: () => void}} of
     */
    constructor(data, timeline, { where, over }) {
        Object.assign(this, { data, timeline, where })
        this.keeper =
            data.keep &&
            new PlaceKeeper({
                address: data.keep,
                token: data.token,
                onEnded: over,
                onOffline: () => say(data.texts.offline),
                where: () => (this.#isMoved ? this.locator() : null),
            })
    }

    /** The place as a Locator. */
    locator() {
        const { part, seconds: at } = this.where()
        const { path, type, name, seconds } = this.data.parts[part]
        return {
            href: path,
            type,
            title: name,
            locations: {
                progression: Math.min(1, at / (seconds || 1)),
                totalProgression: Math.min(1, this.timeline.whole(part, at) / (this.timeline.total || 1)),
                fragments: [`t=${at.toFixed(1)}`],
            },
        }
    }

    /** It has come further, or, now, has stopped or jumped. */
    keep(now = false) {
        this.#isMoved = true
        if (!this.keeper || (!now && Date.now() - this.#keptAt < KEEP_EVERY)) return
        this.#keptAt = Date.now()
        this.keeper.note(this.locator())
        if (!now && Date.now() - this.#sentAt < SEND_EVERY) return
        this.#sentAt = Date.now()
        this.keeper.send()
    }

    /** @returns {number} seconds of the whole: the newest that this browser or the library knows of */
    newest() {
        const { place, placed_at } = this.data
        const newest = this.keeper ? this.keeper.newest(place, placed_at) : place
        return newest ? this.timeline.ofPlace(newest) : 0
    }

    /** What an earlier page could not send. */
    sendUnsent() {
        this.keeper?.send()
    }

    /** Offers to go where another device is, if that is further on. */
    async offerOtherDevice(from, goTo) {
        const { places, texts } = this.data
        const at = locator => this.timeline.ofPlace(locator)
        const furthest = await furthestElsewhere(places, at)
        if (!furthest || at(furthest.locator) <= from + FURTHER) return
        say(
            fill(texts.further_on, {
                device: texts.devices[furthest.device_name] ?? furthest.device_name,
                time: clock(at(furthest.locator)),
            }),
            [texts.go_there, () => goTo(at(furthest.locator))],
            [texts.stay],
        )
    }
}
