// How the text looks: chosen in the drawer, kept in this browser, put into the book's pages as a style sheet.
import { FAMILIES, fontFaces, OF_FORMULAS } from './typefaces.js'

const STANDARD = {
    size: 100,
    typeface: 'book',
    background: null,
    layout: null,
    spacing: '1.55',
    margins: '7',
    align: 'book',
    letters: 'normal',
    styles: 'book',
    pages: 'book',
    crop: 'none',
}
/** Letters in a line, by the margins chosen: 45 to 75 are read with ease (Bringhurst, 1992, from memory). */
const MEASURE = { 3: 74, 7: 66, 14: 54 }
/** Of the size of the letters, as wide as one is in the middle of a text. */
const LETTER = 0.48
/** What a typeface is chosen for: not code, not formulas, not drawings. */
const LETTERS = 'body, body *:not(code, pre, kbd, samp, math, math *, svg *)'
/** More room between letters and words (WCAG 2.1, 1.4.12 asks that a page stands it). */
const WIDE = 'letter-spacing: 0.06em !important; word-spacing: 0.14em !important;'
/** A book's own colours were chosen for paper. */
const DARK = `
    body *:not(svg, svg *) {
        color: inherit !important; background-color: transparent !important; border-color: currentColor; }
    a:any-link { text-decoration: underline; }`

export class Appearance {
    #own
    /** How a book of fixed pages wants them shown; what is left out of them now. */
    #ofBook = null
    #crop = 'none'

    /** @param {object|null} everywhere what its owner chose for all devices; a choice on this one goes before it */
    constructor(everywhere = null) {
        this.#own = JSON.parse(localStorage.getItem('appearance') ?? '{}')
        this.chosen = { ...STANDARD, ...everywhere, ...this.#own }
        this.chosen.size = Number(this.chosen.size)
        this.chosen.background ??= matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'paper'
        this.chosen.layout ??= matchMedia('(min-width: 1000px)').matches ? 'two' : 'one'
    }

    set(name, value) {
        this.chosen[name] = value
        // Only what was chosen here: the rest follows what is chosen for all devices.
        this.#own[name] = value
        localStorage.setItem('appearance', JSON.stringify(this.#own))
    }

    /** Shows in the form what is chosen, and follows what is chosen there. */
    follow(form, size, onChange) {
        const show = () => {
            for (const [name, value] of Object.entries(this.chosen)) {
                const input = form.querySelector(`input[name="${name}"][value="${value}"]`)
                if (input) input.checked = true
            }
            size.textContent = `${this.chosen.size} %`
        }
        const choose = (name, value) => {
            this.set(name, value)
            show()
            onChange()
        }
        form.addEventListener('change', event => choose(event.target.name, event.target.value))
        for (const button of form.querySelectorAll('[data-size]')) {
            button.onclick = () =>
                choose('size', Math.min(300, Math.max(60, this.chosen.size + Number(button.dataset.size))))
        }
        show()
    }

    /**
     * The style sheets for a book's documents, in the colours that the reader has now: what holds where the book says
     * nothing, and what holds whatever it says.
     *
     * @returns {[string, string]}
     */
    styles(reader) {
        const colour = name => getComputedStyle(reader).getPropertyValue(name).trim()
        const { size, typeface, spacing, align, letters } = this.chosen
        const dark = this.chosen.background === 'dusk' || this.chosen.background === 'night'
        const before = `
            ${fontFaces()}
            html { font-family: ${FAMILIES.serif}; hyphens: auto; hyphenate-limit-chars: 7 3 3;
                font-variant-numeric: oldstyle-nums; font-kerning: normal; }
            h1, h2, h3, h4, h5, h6 { line-height: 1.2; text-wrap: balance; hyphens: none; break-after: avoid; }
            table, pre, code { font-variant-numeric: lining-nums tabular-nums; hyphens: manual; }
            figure, blockquote { margin-inline: 1.5em; }
            math { font-family: ${OF_FORMULAS}; font-variant-numeric: lining-nums; }
            math[display=block] { margin-block: .8em; }`
        const after = `
            html { color-scheme: ${dark ? 'dark' : 'light'}; color: ${colour('--print')};
                background: none !important; font-size: ${size}%; }
            body { background: none !important; ${dark ? `color: ${colour('--print')} !important;` : ''} }
            ${dark ? DARK : ''}
            p, li, blockquote, dd { line-height: ${spacing}; hanging-punctuation: allow-end last; orphans: 2; widows: 2;
                ${align === 'book' ? '' : `text-align: ${align === 'justified' ? 'justify' : 'start'} !important;`} }
            ${letters === 'wide' ? `${LETTERS} { ${WIDE} }` : ''}
            ${typeface === 'book' ? '' : `${LETTERS} { font-family: ${FAMILIES[typeface]} !important; }`}
            .spoken-now, .-epub-media-overlay-active {
                background: color-mix(in srgb, ${colour('--pen-lamp')} 55%, transparent) !important; }
            img, svg, video { max-width: 100%; }
            pre { white-space: pre-wrap !important; }
            /* What is wider than the page is scrolled within it; wrapping it in another element would change CFIs. */
            table { display: block; width: fit-content; max-width: 100%; overflow-x: auto;
                overscroll-behavior-x: contain; }`

        return [before, after]
    }

    /** Leaves the book's own styles out, if that is wished: of a document's sheets all but ours, first and last. */
    dress(doc) {
        const ours = [doc.head?.firstElementChild, doc.head?.lastElementChild]
        for (const sheet of doc.styleSheets)
            if (!ours.includes(sheet.ownerNode)) sheet.disabled = this.chosen.styles === 'plain'
    }

    /** Fixed pages: one at a time or two, as the book says where nothing is chosen; with their margins or without. */
    #applyToPages({ book, renderer }) {
        const { pages, crop } = this.chosen
        this.#ofBook ??= book.rendition.spread ?? 'auto'
        const spread = { one: 'none', two: 'both' }[pages] ?? this.#ofBook
        if (spread === (book.rendition.spread ?? 'auto') && crop === this.#crop) return
        book.rendition.spread = spread
        if (book.pages && crop !== this.#crop) book.pages.isCropped = crop === 'margins'
        this.#crop = crop
        const { index } = renderer
        renderer.open(book)
        if (index >= 0) renderer.goTo({ index })
    }

    /** Puts the layout on foliate's renderer. */
    apply(view, reader) {
        reader.dataset.background = this.chosen.background
        const renderer = view.renderer
        if (view.isFixedLayout) return this.#applyToPages(view)
        renderer.setAttribute('flow', this.chosen.layout === 'scroll' ? 'scrolled' : 'paginated')
        renderer.setAttribute('max-column-count', this.chosen.layout === 'two' ? '2' : '1')
        renderer.setAttribute('gap', `${this.chosen.margins}%`)
        const letters = MEASURE[this.chosen.margins] * (this.chosen.letters === 'wide' ? 1.12 : 1)
        renderer.setAttribute('max-inline-size', `${Math.round(letters * LETTER * 0.16 * this.chosen.size)}px`)
        renderer.setAttribute('margin', '28px')
        for (const { doc } of renderer.getContents()) this.dress(doc)
        renderer.setStyles?.(this.styles(reader))
    }
}
