// What of a page is printed on: so much of its margins may be left out.

/** Pixels across at which a page is looked at. */
const LOOK = 160

/** Of 255, how far from the ground a pixel is that counts. */
const INK = 24

/** Of the page's width, what is left around. */
const AROUND = 0.02

/** Pages that are looked at for what all have in common. */
const SAMPLE = 8

/** @typedef {{x: number, y: number, width: number, height: number}} Box in points, from the upper left corner */

/**
 * @param {Uint8ClampedArray} pixels four values each, row after row
 * @returns {[number, number, number, number]|null} left, top, right, bottom; null where the page is empty
 */
export const inkOf = (pixels, width, height) => {
    const ground = pixels.slice(0, 3)
    let [left, top, right, bottom] = [width, height, -1, -1]
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const at = 4 * (y * width + x)
            const far = Math.max(
                Math.abs(pixels[at] - ground[0]),
                Math.abs(pixels[at + 1] - ground[1]),
                Math.abs(pixels[at + 2] - ground[2]),
            )
            if (far < INK) continue
            left = Math.min(left, x)
            right = Math.max(right, x)
            top = Math.min(top, y)
            bottom = y
        }
    }
    return right < 0 ? null : [left, top, right + 1, bottom + 1]
}

const union = (one, other) => {
    if (!one || !other) return one ?? other
    const x = Math.min(one.x, other.x)
    const y = Math.min(one.y, other.y)
    return {
        x,
        y,
        width: Math.max(one.x + one.width, other.x + other.width) - x,
        height: Math.max(one.y + one.height, other.y + other.height) - y,
    }
}

/** @returns {Promise<Box|null>} */
const look = async page => {
    const whole = page.getViewport({ scale: 1 })
    const scale = LOOK / whole.width
    const viewport = page.getViewport({ scale })
    const canvas = new OffscreenCanvas(LOOK, Math.max(1, Math.floor(viewport.height)))
    const context = canvas.getContext('2d', { willReadFrequently: true })
    await page.render({ canvasContext: context, viewport, background: 'white' }).promise
    const ink = inkOf(context.getImageData(0, 0, canvas.width, canvas.height).data, canvas.width, canvas.height)
    if (!ink) return null
    const around = AROUND * whole.width
    const [left, top, right, bottom] = ink.map(at => at / scale)
    const x = Math.max(0, left - around)
    const y = Math.max(0, top - around)
    return {
        x,
        y,
        width: Math.min(whole.width, right + around) - x,
        height: Math.min(whole.height, bottom + around) - y,
    }
}

/** Left and right pages have margins of their own; all of a side are cut alike, so that letters stay as large. */
export class Crop {
    #sides = [null, null]
    #own = new Map()
    #ready = null

    /** @param {{numPages: number, getPage: (number: number) => Promise<object>}} pdf */
    constructor(pdf) {
        this.pdf = pdf
    }

    async #look(index) {
        if (!this.#own.has(index)) this.#own.set(index, await look(await this.pdf.getPage(index + 1)))
        return this.#own.get(index)
    }

    async #sample() {
        // The first page is a cover as a rule.
        const step = Math.max(1, Math.floor(this.pdf.numPages / SAMPLE))
        for (let index = Math.min(1, this.pdf.numPages - 1); index < this.pdf.numPages; index += step) {
            for (const of of step === 1 ? [index] : [index, index + 1])
                if (of < this.pdf.numPages) this.#sides[of % 2] = union(this.#sides[of % 2], await this.#look(of))
        }
    }

    /** @returns {Promise<Box|null>} what is shown of a page; null for all of it */
    async of(index) {
        await (this.#ready ??= this.#sample())
        return union(this.#sides[index % 2], await this.#look(index))
    }
}
