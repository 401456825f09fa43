// What is done with a text beside reading it: find in it, mark it, open its notes, copy, look up, cite, hear it.

import { Overlayer } from 'foliate-js/overlayer.js'
import { Find } from './find.js'
import { FixedHighlights } from '../marks/fixed-highlights.js'
import { Footnotes } from './footnotes.js'
import { json } from '../marks/kept.js'
import { Marks } from '../marks/marks.js'
import { say } from './notice.js'
import { ReadAloud } from './read-aloud.js'
import { Selection } from './selection.js'
import { TextView } from './text-view.js'

const $ = id => document.getElementById(id)
const cfiOf = mark => mark.locator.locations.fragments?.find(f => f.startsWith('epubcfi('))

export class TextTools {
    #marks = null
    /** A press on a highlight opens it and turns no page. */
    #pressed = false
    /** What the page shows, and whether something is being selected by keys. */
    #range = null
    #selects = false

    /**
     * @param {{
     *     view: HTMLElement, reader: HTMLElement, data: object, drawers: object, appearance: object, go: Function,
     *     locate: (index: number, range: Range) =>
     *         {locator: object, page: string|number, section: string, label: string},
     *     here: () => object, pageLabels: () => {label: string}[], where: () => object,
     *     goToPlace: (locator: object) => Promise<void>
     * }} of
     */
    constructor(of) {
        Object.assign(this, of)
        const { view, data, go } = of
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
                copy: data.take && ((text, from, to) => this.#copyPages(text, this.#label(from), this.#label(to))),
            })
        this.aloud =
            $('read-aloud') && new ReadAloud({ view, bar: $('aloud'), texts: data.texts, language: data.language, say })
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
            act: {
                highlight: (chosen, colour) => this.#highlight(chosen, colour),
                note: chosen => {
                    const mark =
                        chosen.mark ??
                        this.#known(chosen) ??
                        this.#highlight(chosen, localStorage.getItem('pen') ?? 'lamp')
                    this.drawers.show('marks')
                    this.#marks.edit(mark)
                },
                copy: chosen => this.#copy(chosen.text, chosen.index, chosen.range),
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
        this.fixed = new FixedHighlights({
            view,
            cfiOf,
            colour: name => this.#colour(name),
            marks: () => this.#marks?.all ?? [],
            onPress: (index, range, mark) => this.#press(index, range, mark),
        })
        view.addEventListener('relocate', ({ detail }) => {
            this.#range = detail.range
        })
        this.#draw()
    }

    /** Marks are there once the book is. */
    start() {
        const { data, view } = this
        if (!data.marks) return
        this.#marks = new Marks({
            address: data.marks,
            token: data.token,
            box: $('bookmark-box'),
            texts: data.texts,
            where: this.where,
            go: locator => {
                if (innerWidth < 800) this.drawers.close()
                this.go(() => this.goToPlace(locator))
            },
            onChange: (mark, removed) => {
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
            if (!this.data.take) return
            event.preventDefault()
            this.#copy(doc.getSelection().toString(), index, doc.getSelection().getRangeAt(0))
        })
    }

    /** Whether a click in the text means one of these, and not the page. */
    takesClick() {
        if (!this.footnotes.open) return this.selection.open || this.#pressed
        this.footnotes.close()
        return true
    }

    /**
     * Selecting by keys: s takes the first word of the page, the arrows go on to another, with Shift they take more,
     * and Enter goes to what can be done with it.
     *
     * @returns whether the key was for this
     */
    selectByKey({ key, shiftKey }) {
        const { doc } = this.view.renderer?.getContents().at(-1) ?? {}
        const selection = doc?.getSelection()
        if (!selection) return false
        // The edge of a paragraph is a step of its own to the browser, and nothing to be seen.
        const extend = (...way) => {
            const before = selection.toString().trim()
            for (let step = 0; step < 3 && selection.toString().trim() === before; step++)
                selection.modify('extend', ...way)
        }
        if (key === 's') {
            const start =
                this.#range?.startContainer.ownerDocument === doc
                    ? this.#range
                    : { startContainer: doc.body, startOffset: 0 }
            selection.collapse(start.startContainer, start.startOffset)
            extend('forward', 'word')
            this.#selects = true
            return true
        }
        if (!this.#selects || selection.isCollapsed) return false
        if (key === 'Enter') {
            this.selection.focus()
            return true
        }
        const way = {
            ArrowRight: ['forward', 'word'],
            ArrowLeft: ['backward', 'word'],
            ArrowDown: ['forward', 'line'],
            ArrowUp: ['backward', 'line'],
        }[key]
        if (!way) return false
        if (!shiftKey && way[0] === 'forward') selection.collapseToEnd()
        else if (!shiftKey) {
            selection.collapseToStart()
            selection.modify('move', ...way)
            way[0] = 'forward'
        }
        extend(...way)
        return true
    }

    /** @returns whether something was open, and now is not */
    closeOne() {
        if (this.textView?.open) this.textView.toggle()
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

    /** What the library calls a page, by its number. */
    #label(number) {
        return this.data.pdf ? number : (this.pageLabels()[number - 1]?.label ?? number)
    }

    #copy(text, index, range) {
        const end = range.cloneRange()
        end.collapse(false)
        const page = at => (this.data.pdf ? at.locator.locations.position : at.page)
        return this.#copyPages(text, page(this.locate(index, range)), page(this.locate(index, end)))
    }

    /**
     * Copies as far as the licence allows it: the pages on which the text stands are counted. What is an excerpt is
     * free.
     */
    async #copyPages(text, from, to) {
        const { take, token, texts } = this.data
        if (!take) {
            await navigator.clipboard.writeText(text)
            return say(texts.copied)
        }
        const response = await fetch(take, {
            method: 'POST',
            headers: json(token),
            body: JSON.stringify({ from: String(from), to: String(to) }),
        }).catch(() => null)
        const answer = await response?.json().catch(() => null)
        if (!response?.ok) return say(answer?.message ?? texts.cannot_copy)
        await navigator.clipboard.writeText(text)
        say(answer.message)
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
