// A PDF as foliate shows a book of fixed pages: each page is drawn when it is turned to, with its text over it to be
// selected.

import { GlobalWorkerOptions, TextLayer, getDocument } from 'pdfjs-dist'
import workerAddress from 'pdfjs-dist/build/pdf.worker.min.mjs?url'
import { element } from './element.js'
import { LoanEnded } from './publication.js'

GlobalWorkerOptions.workerSrc = workerAddress

const STYLE = `
    html, body { margin: 0; padding: 0; }
    img { display: block; }
    .textLayer { position: absolute; inset: 0; overflow: clip; line-height: 1; text-align: initial; text-size-adjust: none;
        forced-color-adjust: none; transform-origin: 0 0; }
    .textLayer :is(span, br) { color: transparent; position: absolute; white-space: pre; cursor: text;
        transform-origin: 0% 0%; }
    .textLayer span.markedContent { top: 0; height: 0; }
    .textLayer ::selection { background: rgb(31 75 86 / .35); }`

/**
 * Lines that stand together are a paragraph; a gap wider than is usual on the page, or letters of another size, begin
 * the next.
 */
const paragraphsOf = items => {
    const lines = []
    for (const { str, hasEOL, transform, height } of items) {
        const last = lines.at(-1)
        if (last && !last.ended && Math.abs(last.y - transform[5]) < 2) last.text += str
        else if (str.trim()) lines.push({ text: str, y: transform[5], height })
        if (hasEOL && lines.length) lines.at(-1).ended = true
    }
    const gaps = lines
        .slice(1)
        .map((line, n) => lines[n].y - line.y)
        .filter(gap => gap > 0)
        .sort((a, b) => a - b)
    const usual = gaps[Math.floor(gaps.length / 2)] ?? 0
    const paragraphs = []
    lines.forEach((line, n) => {
        const before = lines[n - 1]
        const gap = before ? before.y - line.y : 0
        if (!before || gap < 0 || gap > 1.3 * usual || Math.abs(before.height - line.height) > 1)
            paragraphs.push(line.text)
        else paragraphs[paragraphs.length - 1] += ` ${line.text}`
    })
    // A word that was parted at the end of a line is one.
    return paragraphs
        .map(p =>
            p
                .replace(/(\p{Ll})- (?=\p{Ll})/gu, '$1')
                .replace(/\s+/g, ' ')
                .trim(),
        )
        .filter(Boolean)
}

const draw = async (page, doc, scale, state) => {
    state.task?.cancel()
    const sharp = Math.min(globalThis.devicePixelRatio || 1, 3)
    const viewport = page.getViewport({ scale })
    // Drawn in this document, and shown as a picture: where nothing may run, a canvas shows nothing.
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width: Math.floor(viewport.width * sharp), height: Math.floor(viewport.height * sharp) })
    state.task = page.render({
        canvasContext: canvas.getContext('2d'),
        viewport,
        transform: sharp === 1 ? null : [sharp, 0, 0, sharp, 0, 0],
    })
    await state.task.promise
    const picture = doc.createElement('img')
    picture.alt = ''
    Object.assign(picture.style, { width: `${viewport.width}px`, height: `${viewport.height}px` })
    const address = URL.createObjectURL(await new Promise(done => canvas.toBlob(done)))
    picture.onload = () => URL.revokeObjectURL(address)
    picture.src = address
    const layer = doc.createElement('div')
    layer.className = 'textLayer'
    layer.style.setProperty('--total-scale-factor', scale)
    layer.style.setProperty('--scale-factor', scale)
    await new TextLayer({ textContentSource: page.streamTextContent(), container: layer, viewport }).render()
    doc.body.replaceChildren(picture, layer)
    doc.dispatchEvent(new Event('drawn'))
}

/** @param {{pdf: string, language: string}} data the address of the file */
export const openPdf = async ({ pdf: address, language }, whenEnded) => {
    const folder = '/build/pdf'
    const pdf = await getDocument({
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
    const sections = Array.from({ length: pdf.numPages }, (_, index) => {
        const page = () => pdf.getPage(index + 1)
        return {
            id: String(index),
            size: 1000,
            load: async () => {
                const shown = await page()
                const { width, height } = shown.getViewport({ scale: 1 })
                const src = URL.createObjectURL(
                    new Blob(
                        [
                            `<!doctype html><html lang="${language}"><meta charset="utf-8"><title>${index + 1}</title>`,
                            `<meta name="viewport" content="width=${width}, height=${height}">`,
                            `<style>${STYLE}</style><body></body></html>`,
                        ],
                        { type: 'text/html' },
                    ),
                )
                const state = {}
                // Drawn anew in each size; a drawing that is overtaken by the next is given up.
                return {
                    src,
                    onZoom: ({ doc, scale }) =>
                        draw(shown, doc, scale, state).catch(
                            error => error.name === 'RenderingCancelledException' || console.error(error),
                        ),
                }
            },
            createDocument: async () => {
                const doc = document.implementation.createHTMLDocument('')
                const { items } = await (await page()).getTextContent()
                doc.body.append(...paragraphsOf(items).map(text => element('p', { textContent: text })))
                return doc
            },
        }
    })
    const entries = async items =>
        Promise.all(
            (items ?? []).map(async ({ title, dest, items: below }) => {
                const target = typeof dest === 'string' ? await pdf.getDestination(dest) : dest
                const index = target?.[0] ? await pdf.getPageIndex(target[0]).catch(() => null) : null
                return {
                    label: title,
                    href: index === null ? null : String(index),
                    subitems: below?.length ? await entries(below) : null,
                }
            }),
        )
    const labels = await pdf.getPageLabels()
    return {
        sections,
        rendition: { layout: 'pre-paginated', spread: 'none' },
        metadata: { language },
        toc: await entries(await pdf.getOutline()),
        pageList: labels?.map((label, index) => ({ label, href: String(index) })),
        resolveHref: href => ({ index: Number(href) }),
        splitTOCHref: href => [href, null],
        getTOCFragment: doc => doc.documentElement,
        isExternal: () => false,
        destroy: () => pdf.destroy(),
    }
}
