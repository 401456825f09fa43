// Where in the publication something is: as a Readium Locator, and as a page in words.

import { fill } from './notice.js'
import { TextMeasure } from '../places/text-measure.js'

/** The page that a place carries, or its position. */
export const pageOf = ({ locations }) =>
    locations.fragments?.find(f => f.startsWith('page='))?.slice(5) ?? locations.position

/** The path of a section's file, as the server and places name it; foliate keeps it with escapes. */
export const pathOf = section => section && decodeURIComponent(section.id)

/** @param {number} n minutes */
export const minutes = n =>
    n < 60 ? `${Math.max(1, Math.round(n))} min` : `${Math.floor(n / 60)} h ${Math.round(n % 60)} min`

/** Whether there is nothing to be seen in the document of a range: then nothing is ever laid out. */
const isBlank = range => {
    const body = range?.startContainer.ownerDocument.body
    return Boolean(body) && !body.textContent.trim() && !body.querySelector('img, svg, audio, video, canvas, hr')
}

export class Whereabouts {
    /** The publication's own list of pages, if it has one. */
    pageLabels = []

    /**
     * @param {{view: object, positions: import('../places/positions.js').Positions, texts: Record<string, string>, pdf:
     *     boolean}} of
     */
    constructor(of) {
        Object.assign(this, of)
    }

    /**
     * By the publication's own list the label where the view begins, else the position; and in words those that are in
     * view.
     *
     * @param {{pageItem: object|null, position: number}|null} end where the view ends; null where it is one point
     */
    #page(locator, pageItem, end = null) {
        const label = item => item?.label ?? this.pageLabels[0].label
        const own = this.pageLabels.length > 0
        const page = own ? label(pageItem) : locator.locations.position
        const last = end === null ? page : own ? label(end.pageItem) : end.position
        const pages = own ? this.pageLabels.at(-1).label : this.positions.total
        locator.locations.fragments = [...(locator.locations.fragments ?? []), `page=${page}`]
        const { page_of: one, pages_of: several } = this.texts
        return { page, words: fill(last === page ? one : several, { page, last, pages }) }
    }

    /** Where the last words in view are. */
    #end(index, range) {
        const end = range.cloneRange()
        end.collapse(false)
        return {
            pageItem: this.view.getProgressOf(index, end).pageItem,
            position: this.positions.locator(this.#position(index), this.#shareOf(end)).locations.position,
        }
    }

    /** Where the view ends; null where that is where it begins. */
    #endOfView(index, range) {
        if (!this.view.isFixedLayout) return range ? this.#end(index, range) : null
        const last = this.view.renderer.lastIndex
        return last === index
            ? null
            : {
                  pageItem: this.view.getProgressOf(last, null).pageItem,
                  position: this.positions.locator(this.#position(last), 0).locations.position,
              }
    }

    /** The page of a place from anywhere: if it has none, by the publication's own list at about as far in it. */
    pageOf(locator) {
        const labels = this.pageLabels
        const named = locator.locations.fragments?.some(of => of.startsWith('page='))
        return named || !labels.length
            ? pageOf(locator)
            : labels[Math.min(labels.length - 1, Math.floor(this.positions.share(locator) * labels.length))].label
    }

    #position(section) {
        return this.positions.indexOf(section, pathOf(this.view.book.sections[section]))
    }

    /** How far in its document a range begins. */
    #shareOf(range) {
        return TextMeasure.of(range.startContainer.ownerDocument).share(range)
    }

    /** "Screen 3 of 12 in this chapter"; nothing where text is scrolled. */
    #screen() {
        const { scrolled, page, pages, isParted } = this.view.renderer
        return scrolled || isParted || !(pages > 3)
            ? null
            : fill(this.texts.screen_of, { screen: Math.min(pages - 2, Math.max(1, page)), screens: pages - 2 })
    }

    /**
     * Where the first words in view are, from what foliate tells of it; null while its columns are not laid out and it
     * is nowhere yet: it is told again when they are.
     *
     * @returns {{locator: object, page: string, read: number, done: number, chapter: number, book: number}|null} how
     *     much is read, from 0 to 1; bytes before the place, and those left of the chapter and of the book
     */
    ofView(detail) {
        const fixed = this.view.isFixedLayout
        const fraction = detail.fraction ?? 0
        if (!fixed && !Number.isFinite(fraction) && !isBlank(detail.first)) return null
        const index = detail.section?.current ?? detail.index ?? 0
        const sizes = this.view.book.sections.map(s => (s.linear === 'no' ? 0 : s.size))
        const total = sizes.reduce((a, b) => a + b, 0) || 1
        const before = sizes.slice(0, index).reduce((a, b) => a + b, 0)
        const within = fixed || !detail.first ? 0 : this.#shareOf(detail.first)
        const atEnd = !fixed && this.view.renderer.atEnd
        const locator = this.positions.locator(
            this.#position(index),
            within,
            detail.cfi && !this.pdf ? [detail.cfi] : [],
            this.pdf ? 'application/pdf' : undefined,
        )
        const done = before + within * (sizes[index] ?? 0)
        // On the last screen there is nothing that is not in view.
        if (atEnd) locator.locations.totalProgression = 1
        return {
            locator,
            page: this.#page(locator, detail.pageItem, this.#endOfView(index, detail.range)).words,
            screen: fixed ? null : this.#screen(),
            read: fixed ? (this.view.renderer.lastIndex + 1) / this.positions.total : atEnd ? 1 : done / total,
            done,
            chapter: before + (sizes[index] ?? 0) - done,
            book: total - done,
        }
    }

    /** The place where a range begins, with its page. */
    ofRange(index, range) {
        const locator = this.positions.locator(this.#position(index), this.#shareOf(range), [
            this.view.getCFI(index, range),
        ])
        const { tocItem, pageItem } = this.view.getProgressOf(index, range)
        const { page, words } = this.#page(locator, pageItem)
        return {
            locator,
            page,
            section: tocItem?.label ?? '',
            label: words + (tocItem?.label ? `, ${tocItem.label}` : ''),
        }
    }

    /** The document in which a range begins, as the library counts them, and how far in its text. */
    spot(index, range) {
        return { document: this.#position(index), share: Math.min(1, Math.max(0, this.#shareOf(range))) }
    }

    /**
     * The page or position that somebody asks for by its number or label.
     *
     * @returns {{href: string}|{index: number, anchor: unknown}|null} what foliate goes to; null where there is none
     */
    wanted(label) {
        const page = this.pageLabels.find(p => p.label === label)
        if (page) return { href: page.href }
        const number = Number(label)
        if (this.pageLabels.length || !Number.isInteger(number) || number < 1 || number > this.positions.total)
            return null
        const { index, progression } = this.positions.at(number)
        return { index, anchor: this.#anchor(progression) }
    }

    /**
     * The section of a place, and how far in it; null where the publication has no such section.
     *
     * @returns {{index: number, anchor: unknown}|null}
     */
    sectionOf({ href, locations }) {
        const { sections } = this.view.book
        const index = this.pdf ? (locations.position ?? 1) - 1 : sections.findIndex(s => pathOf(s) === href)
        return sections[index] ? { index, anchor: this.#anchor(locations.progression ?? 0) } : null
    }

    /** About as far in the whole as a place was. */
    nearest({ locations }) {
        const position = Math.min(
            this.positions.total,
            Math.max(1, Math.ceil((locations.totalProgression ?? 0) * this.positions.total)),
        )
        const { index, progression } = this.positions.at(position)
        return { index, anchor: this.#anchor(progression) }
    }

    /** So far in a section, for foliate: the point in its text, or a share of it where it has none. */
    #anchor(share) {
        return this.view.isFixedLayout || share === 0 ? share : doc => TextMeasure.of(doc).at(share) ?? share
    }
}
