// Reads as a patron does: node bench/reading.mjs BASE CARD PIN LIBRARY CHAPTER PIECES PDF RARE COMMON
// CHAPTER is a book with a very long chapter, PIECES one of thousands, PDF a long PDF; all are on loan. Prints
// milliseconds as JSON: from the click to text or picture, of turns, of finding; and megabytes that the tab has after a
// hundred pages of the PDF.
import { readFileSync } from 'node:fs'
import { chromium } from '@playwright/test'

const [base, number, pin, library, chapter, pieces, pdf, rare, common] = process.argv.slice(2)
const TURNS = 60
const PAGES = 100
const OPENINGS = 7

const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
})
const viewport = { width: 1280, height: 800 }
const context = await browser.newContext({ viewport })
let page = await context.newPage()
await page.goto(`${base}/?library=${library}`)
await page.goto(`${base}/sign-in`)
await page.getByLabel('Card number').fill(number)
await page.getByLabel('PIN').fill(pin)
await page.locator('main').getByRole('button', { name: 'Sign in' }).click()
await page.waitForURL(/porch/)

const open = async name => {
    await page.goto(`${base}/loans`)
    const link = page.getByRole('article').filter({ hasText: name }).getByRole('link', { name: /^Read/ })
    await link.waitFor()
    const begun = performance.now()
    await link.click()
    await page.locator('#reader[data-ready=yes]').waitFor({ timeout: 120_000 })
    await shown()
    return performance.now() - begun
}

/** Text is there, or the picture of a page. */
const shown = () =>
    page.waitForFunction(
        () => {
            const { renderer } = document.querySelector('foliate-view')
            const docs = renderer.getContents().map(({ doc }) => doc)
            return (
                docs.length > 0 &&
                docs.every(
                    doc =>
                        doc?.defaultView.frameElement.parentElement.querySelector('canvas.whole') ||
                        (!doc?.querySelector('.page') && doc?.body.innerText),
                )
            )
        },
        null,
        { polling: 'raf', timeout: 60_000 },
    )

/** From the key to the next words or picture, as the page itself sees it. */
const turn = () =>
    page.evaluate(
        () =>
            new Promise(done => {
                const view = document.querySelector('foliate-view')
                const begun = performance.now()
                view.addEventListener(
                    'relocate',
                    () => {
                        const see = () => {
                            const docs = view.renderer.getContents().map(({ doc }) => doc)
                            const isThere = docs.every(
                                doc =>
                                    !doc?.querySelector('.page') ||
                                    doc.defaultView.frameElement.parentElement.querySelector('canvas.whole'),
                            )
                            if (isThere) done(performance.now() - begun)
                            else requestAnimationFrame(see)
                        }
                        requestAnimationFrame(see)
                    },
                    { once: true },
                )
                dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true }))
            }),
    )

const turns = async count => {
    const times = []
    for (let n = 0; n < count; n++) {
        // A reader who looks, if only for a moment.
        await page.waitForTimeout(250)
        times.push(await turn())
    }
    return times
}

const find = async words => {
    await page.keyboard.press('f')
    await page.locator('#find-words').fill(words)
    const begun = performance.now()
    await page.keyboard.press('Enter')
    await page.waitForFunction(
        () => {
            const said = document.querySelector('#find-answer').textContent
            return said && !said.includes('%')
        },
        null,
        { polling: 'raf', timeout: 120_000 },
    )
    const time = performance.now() - begun
    await page.keyboard.press('Escape')
    return time
}

/**
 * Of the largest of the browser's pages, its private memory: what a browser's own task manager shows of a tab. The
 * code of Chromium, which all of its processes have in common, is not in it.
 */
const memory = async () => {
    const session = await browser.newBrowserCDPSession()
    const { processInfo } = await session.send('SystemInfo.getProcessInfo')
    const sizes = processInfo
        .filter(({ type }) => type === 'renderer')
        .map(
            ({ id }) => Number(readFileSync(`/proc/${id}/smaps_rollup`, 'utf8').match(/^Pss_Anon:\s+(\d+)/m)[1]) / 1024,
        )
    return Math.max(...sizes)
}

const opening = await open(chapter)
// To where the chapter begins.
await page.keyboard.press('c')
const begun = performance.now()
await page.locator('#contents-list').getByRole('link', { name: 'The whole coast', exact: true }).click()
await page.waitForFunction(() => document.querySelector('foliate-view').renderer.isParted, null, { polling: 'raf' })
await page.waitForFunction(() => /whole coast/.test(document.querySelector('#chapter').textContent), null, {
    polling: 'raf',
})
const into = performance.now() - begun
const words = { opening, into, turns: await turns(TURNS), rare: await find(rare), common: await find(common) }
const inPieces = { opening: await open(pieces), rare: await find(rare), common: await find('keeper') }
// In a tab that has nothing of the book.
const storageState = await context.storageState()
const openings = []
for (let n = 0; n < OPENINGS; n++) {
    await page.context().close()
    page = await (await browser.newContext({ viewport, storageState })).newPage()
    openings.push(await open(pdf))
}
const pictures = { openings, turns: await turns(PAGES), memory: await memory() }
console.log(JSON.stringify({ words, pieces: inPieces, pictures }))
await browser.close()
