// A page of a PDF: a picture in the size in which it is shown, its text over it to be selected, and its links. Text and
// links are in a frame, in which nothing may run; a canvas shows nothing there, so the picture lies behind it.

import { AnnotationType, TextLayer } from 'pdfjs-dist'

/** So many pixels one picture has at most; of what is larger, what is in view is drawn once more by itself. */
const MOST_PIXELS = 6_000_000

/** Milliseconds after the last change of size; until then the picture that is there is stretched. */
const SETTLED = 120

const STYLE = `
    html, body { margin: 0; padding: 0; overflow: hidden; touch-action: pan-x pan-y; background: none;
    color-scheme: light; }
    .page { position: absolute; --scale-round-x: 1px; --scale-round-y: 1px; }
    .page > a { position: absolute; z-index: 2; }
    .page > a:focus-visible { outline: 3px solid #1f4b56; }
    .textLayer { position: absolute; inset: 0; overflow: clip; line-height: 1; text-align: initial;
    text-size-adjust: none;
        forced-color-adjust: none; transform-origin: 0 0; --min-font-size: 1;
        --text-scale-factor: calc(var(--total-scale-factor) * var(--min-font-size)); }
    .textLayer[data-main-rotation='90'] { transform: rotate(90deg) translateY(-100%); }
    .textLayer[data-main-rotation='180'] { transform: rotate(180deg) translate(-100%, -100%); }
    .textLayer[data-main-rotation='270'] { transform: rotate(270deg) translateX(-100%); }
    .textLayer :is(span, br) { color: transparent; position: absolute; white-space: pre; cursor: text;
        transform-origin: 0% 0%; }
    .textLayer > :not(.markedContent), .textLayer .markedContent span:not(.markedContent) { --font-height: 0;
        --scale-x: 1; --rotate: 0deg; font-size: calc(var(--text-scale-factor) * var(--font-height));
        transform: rotate(var(--rotate)) scaleX(var(--scale-x)) scale(calc(1 / var(--min-font-size))); }
    .textLayer .markedContent { display: contents; }
    .textLayer ::selection { background: rgb(31 75 86 / .35); }`

const sharpness = () => Math.min(globalThis.devicePixelRatio || 1, 3)

/**
 * A part of a page as a picture.
 *
 * @param {{x: number, y: number, width: number, height: number}} part in CSS pixels of the viewport
 * @param {number} sharp pixels for each of them
 * @returns {{canvas: HTMLCanvasElement, drawn: Promise<void>, cancel: () => void}}
 */
const draw = (page, viewport, part, sharp) => {
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.floor(part.width * sharp))
    canvas.height = Math.max(1, Math.floor(part.height * sharp))
    canvas.ariaHidden = 'true'
    const task = page.render({
        canvasContext: canvas.getContext('2d', { alpha: false }),
        viewport,
        transform: [sharp, 0, 0, sharp, -part.x * sharp, -part.y * sharp],
    })
    return { canvas, drawn: task.promise, cancel: () => task.cancel() }
}

export class PdfPage {
    #drawing = null
    #timer
    #doc = null
    /** What lies behind the frame. */
    #behind = null
    #scale = 0
    /** The picture of the whole page that is there or on its way: its scale, and what it will be. */
    #whole = null

    /**
     * @param {object} page of pdf.js
     * @param {import('./pdf-crop.js').Box|null} crop what is shown of it; null for all
     * @param {(to: object) => string} addressOf where a place within the PDF leads
     */
    constructor(page, crop, addressOf) {
        Object.assign(this, { page, addressOf })
        const { width, height } = page.getViewport({ scale: 1 })
        this.size = { width, height }
        this.crop = crop ?? { x: 0, y: 0, width, height }
    }

    /** A document without anything yet, of the size that is shown. */
    html(language) {
        const { width, height } = this.crop
        return [
            `<!doctype html><html lang="${language}"><meta charset="utf-8"><title>${this.page.pageNumber}</title>`,
            `<meta name="viewport" content="width=${width}, height=${height}">`,
            `<style>${STYLE}</style><body></body></html>`,
        ]
    }

    get isShown() {
        return Boolean(this.#doc?.defaultView)
    }

    /** Shows it in a document, in a size; called again whenever that is another. */
    async show({ doc, scale }) {
        const isNew = this.#doc !== doc
        this.#doc = doc
        this.#scale = scale
        clearTimeout(this.#timer)
        if (!isNew) {
            this.#lay()
            this.#timer = setTimeout(() => this.#redraw().catch(ignore), SETTLED)
            return
        }
        const box = doc.createElement('div')
        box.className = 'page'
        doc.body.replaceChildren(box)
        this.#layBehind(doc.defaultView.frameElement)
        this.#lay()
        // Where the size changes meanwhile, another picture is on its way; text and links are there all the same.
        await this.#redraw().catch(ignore)
        await Promise.all([this.#showText(), this.#showLinks()])
        doc.dispatchEvent(new Event('drawn'))
    }

    /** Draws the picture before it is asked for. */
    prepare(scale) {
        if (!this.#whole) this.#picture(scale).drawn.catch(ignore)
    }

    /** Lets go of what was drawn. */
    forget() {
        this.#whole?.cancel()
        for (const of of [this.#whole, this.#drawing]) if (of) of.canvas.width = of.canvas.height = 0
        this.#whole = null
        this.page.cleanup()
    }

    /** Draws what is in view sharply, where the picture of the whole is not. */
    async sharpen() {
        const frame = this.#doc?.defaultView?.frameElement
        if (!frame || this.#whole?.sharp === sharpness()) return
        const host = frame.getRootNode().host.getBoundingClientRect()
        const at = frame.getBoundingClientRect()
        const part = {
            x: Math.max(0, host.left - at.left) + this.crop.x * this.#scale,
            y: Math.max(0, host.top - at.top) + this.crop.y * this.#scale,
            width: Math.min(host.right, at.right) - Math.max(host.left, at.left),
            height: Math.min(host.bottom, at.bottom) - Math.max(host.top, at.top),
        }
        if (part.width <= 0 || part.height <= 0) return
        this.#drawing?.cancel()
        this.#drawing = draw(this.page, this.page.getViewport({ scale: this.#scale }), part, sharpness())
        const { canvas, drawn } = this.#drawing
        await drawn
        const { x, y, width, height } = part
        canvas.className = 'part'
        canvas.style.cssText = `position: absolute; left: ${x}px; top: ${y}px; width: ${width}px; height: ${height}px`
        this.#leave('.part')
        this.#behind.append(canvas)
    }

    get #box() {
        return this.#doc.querySelector('.page')
    }

    #layBehind(frame) {
        this.#behind = document.createElement('div')
        this.#behind.className = 'pdf-picture'
        Object.assign(this.#behind.style, { position: 'absolute', background: '#fff', overflow: 'hidden' })
        Object.assign(frame.style, { position: 'relative', colorScheme: 'light' })
        frame.parentElement.style.position = 'relative'
        frame.before(this.#behind)
    }

    #leave(selector) {
        for (const one of this.#behind.querySelectorAll(selector)) one.remove()
    }

    #lay() {
        this.#box.style.setProperty('--total-scale-factor', this.#scale)
        for (const { style } of [this.#box, this.#behind]) {
            style.left = `${-this.crop.x * this.#scale}px`
            style.top = `${-this.crop.y * this.#scale}px`
            style.width = `${this.size.width * this.#scale}px`
            style.height = `${this.size.height * this.#scale}px`
        }
        // What was drawn of a part, or still is, is of another size now.
        this.#drawing?.cancel()
        this.#leave('.part')
    }

    /** The picture of the whole page in a scale. */
    #picture(scale) {
        const viewport = this.page.getViewport({ scale })
        const { width, height } = viewport
        const sharp = Math.min(sharpness(), Math.sqrt(MOST_PIXELS / (width * height)))
        if (this.#whole?.scale === scale && this.#whole.of === sharpness()) return this.#whole
        this.#whole?.cancel()
        const whole = draw(this.page, viewport, { x: 0, y: 0, width, height }, sharp)
        this.#whole = Object.assign(whole, { scale, sharp, of: sharpness() })
        whole.canvas.className = 'whole'
        whole.canvas.style.cssText = 'position: absolute; inset: 0; width: 100%; height: 100%'
        whole.drawn.catch(() => {
            if (this.#whole === whole) this.#whole = null
        })
        return whole
    }

    async #redraw() {
        const doc = this.#doc
        const { canvas, drawn } = this.#picture(this.#scale)
        await drawn
        if (this.#doc !== doc) return
        this.#leave('.whole')
        this.#behind.prepend(canvas)
        await this.sharpen()
    }

    async #showText() {
        const layer = this.#doc.createElement('div')
        layer.className = 'textLayer'
        this.#box.append(layer)
        const viewport = this.page.getViewport({ scale: this.#scale })
        await new TextLayer({ textContentSource: this.page.streamTextContent(), container: layer, viewport }).render()
    }

    async #showLinks() {
        const viewport = this.page.getViewport({ scale: 1 })
        for (const link of await this.page.getAnnotations()) {
            const href = link.url ?? (link.dest ? this.addressOf(link.dest) : null)
            if (link.annotationType !== AnnotationType.LINK || !href) continue
            const [x1, y1, x2, y2] = viewport.convertToViewportRectangle(link.rect)
            const anchor = this.#doc.createElement('a')
            anchor.href = href
            const percent = (at, of) => `${(100 * at) / of}%`
            Object.assign(anchor.style, {
                left: percent(Math.min(x1, x2), viewport.width),
                top: percent(Math.min(y1, y2), viewport.height),
                width: percent(Math.abs(x2 - x1), viewport.width),
                height: percent(Math.abs(y2 - y1), viewport.height),
            })
            anchor.ariaLabel = link.contentsObj?.str || link.overlaidText || link.url || ''
            this.#box.append(anchor)
        }
    }
}

/** A drawing that is overtaken by the next is given up. */
export const ignore = error => {
    if (error?.name !== 'RenderingCancelledException') console.error(error)
}
