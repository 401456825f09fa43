// What is done with a text beside reading it: find in it, mark it, open its notes, copy, look up, cite, hear it.

import { Overlayer } from 'foliate-js/overlayer.js'
import { Beside } from '../marks/beside.js'
import { Copying } from './copying.js'
import { Find } from './find.js'
import { FixedHighlights } from '../marks/fixed-highlights.js'
import { Footnotes } from './footnotes.js'
import { Marks } from '../marks/marks.js'
import { cfiOf } from '../marks/on-page.js'
import { say } from './notice.js'
import { placeNote } from '../marks/place-note.js'
import { ReadAloud } from './read-aloud.js'
import { Selection } from './selection.js'
import { SelectionKeys } from './selection-keys.js'
import { TextView } from './text-view.js'

const $ = id => document.getElementById(id)

export class TextTools {
    #marks = null
    /** A press on a highlight opens it and turns no page. */
    #pressed = false
    /**
     * @param {{
     *     view: HTMLElement, reader: HTMLElement, data: object, drawers: object, appearance: object, go: Function,
     *     locate: (index: number, range: Range) =>
     *         {locator: object, page: string|number, section: string, label: string},
     *     spot: (index: number, range: Range) => {document: number, share: number},
     *     here: () => object, pageLabels: () => {label: string}[], where: () => object,
     *     goToPlace: (locator: object) => Promise<void>
     * }} of
     */
    constructor(of) {
        Object.assign(this, of)
        const { view, data, go } = of
        this.copying = new Copying(data)
        this.find = new Find({
            view,
            texts: data.texts,
            form: $('find-form'),
            answer: $('find-answer'),
            list: $('find-list'),
            steps: $('find-steps'),
            go: cfi => go(() => view.goTo(cfi)),
        })
        this.footnotes = new Footnotes({ box: $('footnote'), view, styles: () => this.appearance.styles(this.reader) })
        this.textView =
            $('text-view') &&
            new TextView({
                view,
                box: $('text-view'),
                opener: $('open-text'),
                here: () => (this.here()?.locations.position ?? 1) - 1,
                go: index => go(() => view.goTo(index)),
                copy: this.copying.isCounted ? (text, span) => this.copying.copy(text, span) : null,
            })
        this.aloud =
            $('read-aloud') &&
            new ReadAloud({
                view,
                bar: $('aloud'),
                hint: $('aloud-hint'),
                texts: data.texts,
                language: data.language,
                speech: data.speech,
                token: data.token,
                say,
            })
        if (this.aloud) {
            $('read-aloud').onclick = () => {
                this.drawers.close()
                this.aloud.toggle()
            }
        }
        $('cite-book').onclick = event => {
            event.preventDefault()
            this.#cite({})
        }
        this.selection = new Selection({
            bar: $('selection'),
            locate: this.locate,
            price: (index, range) => this.copying.price(this.#span(index, range)),
            act: {
                highlight: (chosen, colour) => this.#highlight(chosen, colour),
                note: chosen =>
                    this.#write(
                        chosen.mark ??
                            this.#known(chosen) ??
                            this.#highlight(chosen, localStorage.getItem('pen') ?? 'lamp'),
                    ),
                copy: chosen => this.copying.copy(chosen.text, this.#span(chosen.index, chosen.range)),
                lookUp: chosen =>
                    this.#openWith('word', $('word-box'), data.dictionary, {
                        word: chosen.text,
                        language: chosen.range.startContainer.parentElement?.closest('[lang]')?.lang || data.language,
                    }),
                cite: chosen => {
                    const { page, section } = this.selection.placeOf(chosen)
                    this.#cite({ ...(this.pageLabels().length ? { page } : {}), section })
                },
                remove: chosen => this.#marks.remove(chosen.mark),
            },
        })
        this.selectionKeys = new SelectionKeys(view, this.selection)
        this.fixed = new FixedHighlights({
            view,
            colour: name => this.#colour(name),
            marks: () => this.#marks?.all ?? [],
            onPress: (index, range, mark) => this.#press(index, range, mark),
        })
        this.beside =
            data.marks &&
            new Beside({
                view,
                page: $('page'),
                box: $('beside'),
                marks: () => this.#marks?.all ?? [],
                open: mark => this.#write(mark),
                texts: data.texts,
            })
        this.#draw()
    }

    /** Marks are there once the book is. */
    start() {
        const { data, view } = this
        this.aloud?.showHint()
        if (!data.marks) return
        this.#marks = new Marks({
            address: data.marks,
            token: data.token,
            box: $('bookmark-box'),
            texts: data.texts,
            colours: data.colours,
            where: this.where,
            go: locator => {
                if (innerWidth < 800) this.drawers.close()
                this.go(() => this.goToPlace(locator))
            },
            write: mark => {
                if (innerWidth < 800) this.drawers.close()
                this.go(() => this.goToPlace(mark.locator)).then(() => this.#write(mark))
            },
            onChange: (mark, removed) => {
                this.beside.draw()
                if (!mark.colour || !cfiOf(mark)) return
                if (view.isFixedLayout) this.fixed.draw()
                else view.addAnnotation({ value: cfiOf(mark), colour: mark.colour }, removed)?.catch(() => {})
            },
        })
    }

    /** A document of the book that has come up. */
    watch(doc, index) {
        this.selection.watch(doc, index)
        if (this.view.isFixedLayout) this.fixed.watch(doc, index)
        doc.addEventListener('copy', event => {
            if (!this.copying.isCounted) return
            event.preventDefault()
            const selection = doc.getSelection()
            this.copying.copy(selection.toString(), this.#span(index, selection.getRangeAt(0)))
        })
    }

    /** Whether a click in the text means one of these, and not the page. */
    takesClick() {
        if (this.#marks?.noteBox.open) {
            this.#marks.noteBox.close()
            return true
        }
        if (!this.footnotes.open) return this.selection.open || this.#pressed
        this.footnotes.close()
        return true
    }

    /** @returns whether something was open, and now is not */
    closeOne() {
        if (this.#marks?.noteBox.open) this.#marks.noteBox.close()
        else if (this.textView?.open) this.textView.toggle()
        else if (this.footnotes.open) this.footnotes.close()
        else if (this.selection.open) this.selection.hide(true)
        else if (this.aloud?.on) this.aloud.stop()
        else return false
        return true
    }

    #colour(name) {
        return getComputedStyle(this.reader).getPropertyValue(name).trim()
    }

    #press(index, range, mark) {
        this.#pressed = true
        setTimeout(() => {
            this.#pressed = false
        }, 400)
        this.selection.showMark(index, range, mark)
    }

    #draw() {
        const { view } = this
        view.addEventListener('draw-annotation', ({ detail: { draw, annotation } }) => {
            if (annotation.found) draw(Overlayer.outline, { color: this.#colour('--print'), width: 2 })
            else draw(Overlayer.highlight, { color: this.#colour(`--pen-${annotation.colour}`) })
        })
        view.addEventListener('create-overlay', ({ detail: { index } }) => {
            const prefix = `${view.getCFI(index).slice(0, -1)}!`
            for (const found of this.find.inSection(prefix)) view.addAnnotation(found)
            for (const mark of this.#marks?.all ?? [])
                if (mark.colour && cfiOf(mark)?.startsWith(prefix))
                    view.addAnnotation({ value: cfiOf(mark), colour: mark.colour })
        })
        view.addEventListener('show-annotation', ({ detail: { value, index, range } }) => {
            const mark = this.#marks?.all.find(m => m.colour && cfiOf(m) === value)
            if (mark) this.#press(index, range, mark)
        })
    }

    /** The highlight that the same words have already. */
    #known(chosen) {
        const cfi = cfiOf(this.selection.placeOf(chosen))
        return this.#marks.all.find(mark => mark.colour && cfiOf(mark) === cfi)
    }

    #highlight(chosen, colour) {
        localStorage.setItem('pen', colour)
        const { locator, label } = this.selection.placeOf(chosen)
        return this.#marks.highlight({ ...(chosen.mark ?? this.#known(chosen) ?? { locator, label }), colour })
    }

    /** Opens the box for the note of a mark, at its text. */
    #write(mark) {
        this.#marks.noteBox.show(mark, box => placeNote(box, mark, this.view, $('page')))
    }

    /** Where a text begins and ends in the publication. */
    #span(index, range) {
        const end = range.cloneRange()
        end.collapse(false)
        return { from: this.spot(index, range), to: this.spot(index, end) }
    }

    #cite(parameters) {
        return this.#openWith('cite', $('cite-box'), this.data.cite, parameters)
    }

    /** Opens a drawer with what the library says. */
    async #openWith(drawer, box, address, parameters) {
        this.drawers.show(drawer)
        box.textContent = this.data.texts.one_moment
        const response = await fetch(`${address}?${new URLSearchParams(parameters)}`, {
            headers: { 'X-Part': 'drawer' },
        }).catch(() => null)
        if (response?.ok) box.innerHTML = await response.text()
        else box.textContent = this.data.texts.no_answer
        $(drawer).querySelector('[data-close]').focus()
    }
}
