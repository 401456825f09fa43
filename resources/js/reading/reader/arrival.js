// Where a publication is opened: as it was left, or where a link led; and what is offered then, and never followed by
// itself.

import { furthestElsewhere } from '../places/other-devices.js'
import { fill, say } from './notice.js'

/** A place further on by less than this share of the whole is the same. */
const FURTHER = 0.005

/** As far down as the library knows the contents. */
const CONTENTS_DEPTH = 2

const entriesOf = (items, depth = 0) =>
    depth > CONTENTS_DEPTH ? [] : items.flatMap(of => [of, ...entriesOf(of.subitems ?? [], depth + 1)])

export class Arrival {
    /**
     * @param {{
     *     data: object, view: HTMLElement, whereabouts: import('./whereabouts.js').Whereabouts,
     *     here: () => object|null, goTo: (locator: object) => Promise<void>, go: (act: Function) => void
     * }} of here: the Locator of what is shown
     */
    constructor(of) {
        Object.assign(this, of)
    }

    /** @param {object|null} place a Locator: where it was left */
    async open(place, toc) {
        const { beginning } = this.data
        if (beginning) await this.#follow(beginning, toc)
        else if (place) await this.goTo(place)
        else await this.view.init({ showTextStart: false })
    }

    /** @param {object|null} place where it was left */
    offer(place) {
        if (this.data.beginning && place) this.#offerWayBack(place)
        else this.#offerOtherDevice()
    }

    /**
     * Where a link led that somebody came by: to a section, or to a mark of theirs.
     *
     * @param {{locator: object, entry?: number, label?: string}} beginning entry: its number in the contents
     */
    async #follow({ locator, entry, label }, toc) {
        // Loaded again, it opens where it was left.
        history.replaceState(null, '', location.pathname)
        const named = entry === undefined ? null : entriesOf(toc)[entry]
        if (named?.href && named.label?.trim() === label) await this.view.goTo(named.href)
        else await this.goTo(locator)
    }

    #share(locator) {
        return this.whereabouts.positions.share(locator)
    }

    #offerWayBack(place) {
        const here = this.here()
        const page = this.whereabouts.pageOf(place)
        // What did not come has no place yet, and says so itself.
        if (!here || page === this.whereabouts.pageOf(here)) return
        this.#offer(fill(this.data.texts.left_off, { page }), place)
    }

    /** Another device that is further on. */
    async #offerOtherDevice() {
        const { places, texts } = this.data
        const furthest = await furthestElsewhere(places, locator => this.#share(locator))
        const here = this.here()
        if (!furthest || !here || this.#share(furthest.locator) <= this.#share(here) + FURTHER) return
        const isNarrow = matchMedia('(max-width: 639px)').matches
        const words = fill(isNarrow ? texts.elsewhere_short : texts.elsewhere, {
            device: texts.devices[furthest.device_name] ?? furthest.device_name,
            page: this.whereabouts.pageOf(furthest.locator),
        })
        this.#offer(words, furthest.locator)
    }

    #offer(words, place) {
        const { go_there: goThere, stay } = this.data.texts
        say(words, [goThere, () => this.go(() => this.goTo(place))], [stay])
    }
}
