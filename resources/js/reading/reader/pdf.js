// A PDF as foliate shows a book of fixed pages: each page is drawn when it is turned to.

import { GlobalWorkerOptions, getDocument } from 'pdfjs-dist'
import { element } from './element.js'
import { paragraphsOf } from './paragraphs.js'
import { Crop } from './pdf-crop.js'
import { Outline } from './pdf-outline.js'
import { PdfPage, ignore } from './pdf-page.js'
import { pdfWorker } from './pdf-worker.js'
import { LoanEnded } from './publication.js'

GlobalWorkerOptions.workerPort = pdfWorker

/** Pages that are kept as they were drawn: those beside the one that is read. */
const MOST_KEPT = 4

const load = (address, whenEnded) => {
    const folder = '/build/pdf'
    return getDocument({
        url: address,
        disableStream: true,
        disableAutoFetch: true,
        rangeChunkSize: 131_072,
        enableXfa: false,
        isEvalSupported: false,
        cMapUrl: `${folder}/cmaps/`,
        standardFontDataUrl: `${folder}/standard_fonts/`,
        wasmUrl: `${folder}/wasm/`,
        iccUrl: `${folder}/iccs/`,
    }).promise.catch(error => {
        if (![401, 410].includes(error.status)) throw error
        whenEnded()
        throw new LoanEnded()
    })
}

/** The pages of a PDF, each as it was drawn last; some of them are kept. */
class Pages {
    #kept = new Map()
    #crop = null

    constructor(pdf, outline) {
        Object.assign(this, { pdf, outline })
    }

    set isCropped(isCropped) {
        this.#crop = isCropped ? new Crop(this.pdf) : null
        this.#kept.clear()
    }

    async get(index) {
        const crop = this.#crop
        const page = await this.pdf.getPage(index + 1)
        const box = (await crop?.of(index)) ?? null
        // Another may have asked for it meanwhile, or wished it with its margins.
        if (crop !== this.#crop) return this.get(index)
        const asked = this.#kept.get(index) ?? new PdfPage(page, box, to => this.outline.addressOf(to))
        // What was asked for last goes last.
        this.#kept.delete(index)
        this.#kept.set(index, asked)
        for (const [of, old] of this.#kept) {
            if (this.#kept.size <= MOST_KEPT) break
            if (old.isShown || of === index) continue
            this.#kept.delete(of)
            old.forget()
        }
        return asked
    }

    /** Draws the pages that are likely to come next. */
    async prepare(index, scale) {
        for (const of of [index + 1, index - 1])
            if (of >= 0 && of < this.pdf.numPages) (await this.get(of)).prepare(scale)
    }

    sharpen() {
        for (const page of this.#kept.values()) if (page.isShown) page.sharpen().catch(ignore)
    }
}

/** @param {{pdf: string, language: string, place: object|null}} data the address of the file, and where it was left */
export const openPdf = async ({ pdf: address, language, place }, whenEnded) => {
    const pdf = await load(address, whenEnded)
    const outline = new Outline(pdf)
    const pages = new Pages(pdf, outline)
    const sections = Array.from({ length: pdf.numPages }, (_, index) => ({
        id: String(index),
        size: 1000,
        load: async () => {
            const page = await pages.get(index)
            const src = URL.createObjectURL(new Blob(page.html(language), { type: 'text/html' }))
            return {
                src,
                onZoom: of => {
                    URL.revokeObjectURL(src)
                    page.show(of)
                        .then(() => pages.prepare(index, of.scale))
                        .catch(ignore)
                },
            }
        },
        createDocument: async () => {
            const doc = document.implementation.createHTMLDocument('')
            const { items } = await (await pdf.getPage(index + 1)).getTextContent()
            doc.body.append(...paragraphsOf(items).map(text => element('p', { textContent: text })))
            return doc
        },
    }))
    // The page that comes first is on its way meanwhile.
    pages.get(Math.min(pdf.numPages, place?.locations.position ?? 1) - 1).catch(ignore)
    const labels = await pdf.getPageLabels()
    return {
        sections,
        rendition: { layout: 'pre-paginated', spread: 'none' },
        metadata: { language },
        toc: [],
        pageList: labels?.map((label, index) => ({ label, href: String(index) })),
        outline,
        pages,
        resolveHref: href => outline.resolve(href),
        splitTOCHref: href => [href, null],
        getTOCFragment: doc => doc.documentElement,
        isExternal: href => /^[a-z][a-z0-9+.-]*:/i.test(href),
        destroy: () => pdf.destroy(),
    }
}
