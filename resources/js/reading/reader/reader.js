// The reader: a publication on the page, its place kept, and all that can be done with its text.

import 'foliate-js/view.js'
import { Appearance } from './appearance.js'
import { Arrival } from './arrival.js'
import { Drawers } from './drawers.js'
import { Keys } from './keys.js'
import { followEnd } from './loan-end.js'
import { fill, say, unsay } from './notice.js'
import { Pace } from '../places/pace.js'
import { PlaceKeeper } from '../places/place-keeper.js'
import { ReadingLog } from '../places/reading-log.js'
import { Positions } from '../places/positions.js'
import { MissingSection } from './missing-section.js'
import { Parts } from './parts.js'
import { LoanEnded, openPublication } from './publication.js'
import { TextTools } from './text-tools.js'
import { Turning, edgeAt } from './turning.js'
import { Whereabouts, minutes } from './whereabouts.js'
import { Zoom } from './zoom.js'

/** Milliseconds after which a PDF's outline is looked up, whatever has been drawn. */
const LATEST_DRAWN = 5000

/** CSS Values and Units, W3C, 6.2: a point is 1/72 of an inch, a pixel 1/96. */
const PIXELS_OF_POINT = 96 / 72

const $ = id => document.getElementById(id)

export class Reader {
    /** The Locator of what is shown; null until something is. */
    #here = null

    /** @param {object} data what the page says of the publication and the loan, in its own script element */
    constructor(data) {
        this.data = data
        this.element = $('reader')
        this.appearance = new Appearance(data.appearance)
        this.element.dataset.background = this.appearance.chosen.background
        this.drawers = new Drawers()
        this.pace = new Pace()
        this.view = document.createElement('foliate-view')
        this.turning = new Turning(this.view, {
            onMiddle: () => this.element.classList.toggle('bare'),
            onSlow: () => say(data.texts.part_coming),
            onDone: () => unsay(data.texts.part_coming),
        })
        // Where pages are as they are, and not of text that fills the window.
        this.zoom = $('zoom')
            ? new Zoom({
                  choice: $('zoom'),
                  smaller: $('zoom-out'),
                  larger: $('zoom-in'),
                  unit: data.pdf ? PIXELS_OF_POINT : 1,
                  // Who likes to scroll has them as wide as the window.
                  standard: this.appearance.chosen.layout === 'scroll' ? 'width' : 'page',
              })
            : null
        this.whereabouts = new Whereabouts({
            view: this.view,
            positions: new Positions(data.positions),
            texts: data.texts,
            pdf: data.pdf,
        })
        const ended = () => location.reload()
        followEnd(data, ended, say)
        this.keeper =
            data.keep &&
            new PlaceKeeper({
                address: data.keep,
                token: data.token,
                onEnded: ended,
                onOffline: () => say(data.texts.offline),
            })
        this.log = data.records && data.keep ? new ReadingLog(data.keep) : null
        this.arrival = new Arrival({
            data,
            view: this.view,
            whereabouts: this.whereabouts,
            here: () => this.#here,
            goTo: locator => this.goTo(locator),
            go: act => this.turning.go(act),
        })
        this.missing = new MissingSection(data.texts, target => this.turning.go(() => this.view.renderer.goTo(target)))
        this.tools = this.#makeTools()
        this.keys = new Keys({
            turning: this.turning,
            drawers: this.drawers,
            tools: this.tools,
            marks: Boolean(data.marks),
            zoom: this.zoom,
            leave: () => $('close').click(),
        })
        this.#follow()
    }

    #makeTools() {
        const { view, element, data, drawers, appearance, whereabouts } = this
        return new TextTools({
            view,
            reader: element,
            data,
            drawers,
            appearance,
            go: act => this.turning.go(act),
            locate: (index, range) => whereabouts.ofRange(index, range),
            spot: (index, range) => whereabouts.spot(index, range),
            here: () => this.#here,
            pageLabels: () => whereabouts.pageLabels,
            where: () => {
                const chapter = $('chapter').textContent.replace(/ ·$/, '')
                return { locator: this.#here, label: $('page-of').textContent.trim() + (chapter && `, ${chapter}`) }
            },
            goToPlace: locator => this.goTo(locator),
        })
    }

    #follow() {
        const { view, turning } = this
        addEventListener('keydown', this.keys.on)
        view.addEventListener('relocate', ({ detail }) => this.#moved(detail))
        view.addEventListener('load', ({ detail: { doc, index } }) => this.#shown(doc, index))
        $('page').addEventListener('click', event => {
            if (event.target === $('page') || event.target === view) turning[edgeAt(event.clientX, innerWidth)]()
        })
        $('back-page').onclick = turning.back
        $('next-page').onclick = turning.on
        $('go-to-page').addEventListener('submit', event => {
            event.preventDefault()
            this.#goToPage($('page-number').value.trim())
        })
        this.appearance.follow($('appearance-form'), $('size'), () => this.#restyle())
    }

    #moved(detail) {
        const place = this.whereabouts.ofView(detail)
        if (place === null) return
        this.missing.shown(detail.section?.current ?? detail.index)
        $('progress').value = place.read
        this.#showChapter(detail.tocItem ?? this.view.book.outline?.at(detail.index ?? 0))
        $('page-of').textContent = place.page
        $('screen').textContent = place.screen ? ` · ${place.screen}` : ''
        // Printing begins at the page that is open.
        const printing = $('print-pages')
        if (printing) printing.search = new URLSearchParams({ page: this.whereabouts.pageOf(place.locator) })
        if (!this.view.isFixedLayout) {
            this.pace.turn(place.done)
            this.#showTimeLeft(this.pace.minutes(place.chapter), this.pace.minutes(place.book))
        }
        // The first place is where we were put, not somewhere we have gone.
        this.log?.turned(place.locator.locations.position ?? 0)
        if (this.#here && this.keeper) this.keeper.keep(place.locator)
        this.#here = place.locator
    }

    /** What is left of the chapter and of the book, at this reader's own pace. */
    #showTimeLeft(chapter, book) {
        const { time_left: ofBook, time_left_both: ofBoth } = this.data.texts
        const words = fill(chapter < 0.5 || book - chapter < 0.5 ? ofBook : ofBoth, {
            time: minutes(book),
            chapter: minutes(chapter),
        })
        $('left').textContent = book < 0.5 ? '' : `· ${words}`
    }

    /** A document of the book is on the page. */
    #shown(doc, index) {
        doc.defaultView.frameElement.title = $('page').ariaLabel
        doc.addEventListener('keydown', this.keys.on)
        this.tools.watch(doc, index)
        this.appearance.dress(doc)
        // A table that scrolls can be scrolled by keys.
        setTimeout(() => {
            for (const table of doc.querySelectorAll('table'))
                if (table.scrollWidth > table.clientWidth + 1) table.tabIndex = 0
        }, 300)
        doc.addEventListener('click', event => this.#pressed(event, doc))
        this.zoom?.watch(doc)
        if (this.view.isFixedLayout) this.turning.swipe(doc, () => this.zoom?.isWider)
    }

    #pressed(event, doc) {
        if (event.target.closest('a[href]') || doc.getSelection()?.type === 'Range') return
        if (this.zoom?.takesClick() || this.tools.takesClick()) return
        const frame = doc.defaultView.frameElement.getBoundingClientRect()
        const box = $('page').getBoundingClientRect()
        const scale = frame.width / doc.defaultView.innerWidth || 1
        const scrolls = this.zoom ? this.zoom.isWider : this.appearance.chosen.layout === 'scroll'
        this.turning[scrolls ? 'middle' : edgeAt(frame.left + event.clientX * scale - box.left, box.width)]()
    }

    #goToPage(label) {
        const wanted = this.whereabouts.wanted(label)
        $('page-number').setAttribute('aria-invalid', String(!wanted))
        $('page-answer').textContent = wanted ? '' : fill(this.data.texts.no_such_page, { page: label })
        if (!wanted) return
        this.turning.go(() => (wanted.href ? this.view.goTo(wanted.href) : this.view.renderer.goTo(wanted)))
        this.drawers.close()
    }

    #restyle() {
        this.appearance.apply(this.view, this.element)
        if ($('text-view')) $('text-view').style.fontSize = `${this.appearance.chosen.size * 0.19}px`
    }

    /** @param {object} place a Locator */
    async goTo(place) {
        const cfi = place.locations.fragments?.find(f => f.startsWith('epubcfi('))
        // Where the file has changed since, the progression still tells.
        if (cfi && (await this.view.goTo(cfi))?.index >= 0) return
        const section = this.whereabouts.sectionOf(place)
        await this.view.renderer.goTo(section ?? this.whereabouts.nearest(place))
        if (!section) say(this.data.texts.place_gone, [this.data.texts.stay])
    }

    async #open() {
        const { data, view, keeper } = this
        const ended = () => location.reload()
        // What draws PDF pages is large, and books have no need of it.
        const book = data.pdf
            ? await (await import('./pdf.js')).openPdf(data, ended)
            : await openPublication(data, ended)
        const drawn = new Promise(done => {
            view.addEventListener('load', ({ detail }) => detail.doc.addEventListener('drawn', done), { once: true })
            setTimeout(done, LATEST_DRAWN)
        })
        $('page').prepend(view)
        await view.open(book)
        view.renderer.partsOf = doc => Parts.of(doc)
        view.renderer.addEventListener('section-failed', ({ detail }) => this.missing.failed(detail))
        this.whereabouts.pageLabels = (book.pageList ?? []).filter(p => p.label && p.href)
        this.#restyle()
        this.zoom?.open(view)
        if (!book.outline) this.#fillContents(book.toc ?? [])
        const place = keeper ? keeper.newest(data.place, data.placed_at) : data.place
        await this.arrival.open(place, book.toc ?? [])
        $('opening').remove()
        // The first page is drawn before its outline is looked up: one worker does both.
        if (book.outline) drawn.then(() => this.#followOutline(book))
        else this.tools.textView?.fill(book.sections, book.toc ?? [], href => book.resolveHref(href)?.index)
        this.tools.start()
        this.element.dataset.ready = 'yes'
        keeper?.send()
        this.arrival.offer(place)
    }

    #fillContents(toc) {
        this.drawers.fillContents(toc, href => {
            this.drawers.close()
            this.turning.go(() => this.view.goTo(href))
        })
    }

    /** A long PDF has thousands of entries in its outline: they are looked up while it is read. */
    async #followOutline(book) {
        const of = href => book.resolveHref(href)?.index
        this.tools.textView?.fill(book.sections, [], of)
        const toc = await book.outline.entries()
        this.#fillContents(toc)
        await book.outline.locate(toc)
        this.tools.textView?.fill(book.sections, toc, of)
        this.#showChapter(book.outline.at(this.view.renderer.index))
    }

    #showChapter(entry) {
        $('chapter').textContent = entry?.label ? `${entry.label} ·` : ''
        this.drawers.mark(entry?.href)
    }

    /** Opens the publication where it was left. */
    async open() {
        try {
            await this.#open()
        } catch (error) {
            if (error instanceof LoanEnded) return
            console.error(error)
            if ($('opening')) $('opening').textContent = this.data.texts.cannot_open
        }
    }
}
