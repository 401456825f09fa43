// PDF as a tool: a manual of 311 pages that others made (Debian's gnuplot-doc), with an outline, links and labels.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { borrowAndRead, findTitle, giveBack, importBooks, newCard, signIn, watch } from './library.js'

const MANUAL = '/usr/share/doc/gnuplot/gnuplot.pdf'
const NAME = 'gnuplot documentation'

const open = async (page, name) => {
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await findTitle(page, name)
    await borrowAndRead(page)
    return complaints
}

/** The pages that are shown, drawn. */
const shown = page =>
    page.evaluate(() =>
        document
            .querySelector('foliate-view')
            .renderer.getContents()
            .map(({ doc }) => {
                const frame = doc?.defaultView?.frameElement.getBoundingClientRect()
                const behind = doc?.defaultView?.frameElement.parentElement
                const picture = behind?.querySelector('canvas.part') ?? behind?.querySelector('canvas.whole')
                return picture && doc.querySelector('.textLayer span')
                    ? {
                          page: Number(doc.title),
                          width: frame.width,
                          height: frame.height,
                          sharp: picture.width / picture.getBoundingClientRect().width,
                      }
                    : null
            }),
    )

const drawn = async page => {
    await expect.poll(async () => (await shown(page)).every(Boolean)).toBe(true)
    return shown(page)
}

const goToPage = async (page, label) => {
    await page.keyboard.press('c')
    await page.getByLabel('Go to page').fill(label)
    await page.keyboard.press('Enter')
    await expect(page.locator('#page-of')).toContainText(new RegExp(`^Pages? ${label}\\b`))
    return drawn(page)
}

test.beforeAll(() => importBooks([MANUAL]))

test('a long PDF is read in any size, its outline and links lead, its margins go, two pages stand together', async ({
    page,
}) => {
    const complaints = await open(page, NAME)
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'Canvas size', exact: true }).first().click()
    await expect(page.locator('#chapter')).toHaveText('Canvas size ·')
    const frame = () => page.frames().slice(1).at(-1)
    await expect(async () =>
        expect(await frame().locator('.textLayer').textContent({ timeout: 1000 })).toContain('Canvas size'),
    ).toPass()

    // Text lies over its picture, where Poppler, which knows nothing of pdf.js, finds it.
    const [{ page: number, width }] = await drawn(page)
    const lines = execFileSync('pdftotext', ['-bbox-layout', '-f', `${number}`, '-l', `${number}`, MANUAL, '-'], {
        encoding: 'utf8',
    })
    const paper = Number(lines.match(/<page width="([\d.]+)"/)[1])
    const words = [...lines.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)"[^>]*>([^<]{9,})<\/word>/g)]
    const found = await frame().evaluate(
        ([scale, words]) =>
            words.map(([, left, , right, word]) => {
                const walker = document.createTreeWalker(document.querySelector('.textLayer'), NodeFilter.SHOW_TEXT)
                const nearest = []
                while (walker.nextNode()) {
                    const at = walker.currentNode.data.indexOf(word)
                    if (at < 0) continue
                    const range = new Range()
                    range.setStart(walker.currentNode, at)
                    range.setEnd(walker.currentNode, at + word.length)
                    const box = range.getBoundingClientRect()
                    nearest.push(Math.max(Math.abs(box.left / scale - left), Math.abs(box.right / scale - right)))
                }
                return nearest.length ? Math.min(...nearest) : null
            }),
        [width / paper, words],
    )
    const measured = found.filter(off => off !== null)
    expect(measured.length).toBeGreaterThan(10)
    expect(measured.toSorted((a, b) => a - b)[Math.floor(0.9 * measured.length)], 'points').toBeLessThan(6)

    // Larger and smaller, by keys and by choice, as sharp as the screen.
    await page.locator('#zoom').selectOption('width')
    let [of] = await drawn(page)
    const window = await page.locator('#page').evaluate(box => box.clientWidth)
    expect(Math.abs(of.width - window)).toBeLessThan(20)
    await page.locator('#zoom').selectOption('400')
    await expect.poll(async () => (await shown(page))[0]?.sharp).toBeGreaterThan(0.98)
    ;[of] = await drawn(page)
    expect(Math.abs(of.width - (4 * paper * 96) / 72)).toBeLessThan(2)
    await page.locator('#close').focus()
    await page.keyboard.press('-')
    await expect(page.locator('#zoom')).toHaveValue('300')
    const scrolled = () => page.evaluate(() => document.querySelector('foliate-view').renderer.scrollTop)
    await page.evaluate(() => document.querySelector('foliate-view').renderer.scrollTo(0, 0))
    await page.evaluate(() => document.activeElement.blur())
    await page.keyboard.press('PageDown')
    expect(await scrolled(), 'what is larger than the window is moved over first').toBeGreaterThan(300)
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('0')
    await expect(page.locator('#zoom')).toHaveValue('page')
    expect(await scrolled()).toBe(0)

    // Where its size changes while a page is still being drawn, as on a slow device, its text comes all the same.
    const device = await page.context().newCDPSession(page)
    for (const size of ['width', '200', 'page']) {
        await device.send('Emulation.setCPUThrottlingRate', { rate: 10 })
        await page.evaluate(
            size =>
                new Promise(done => {
                    const view = document.querySelector('foliate-view')
                    const resize = () => {
                        const zoom = document.getElementById('zoom')
                        zoom.value = size
                        zoom.dispatchEvent(new Event('change'))
                        done()
                    }
                    view.addEventListener('relocate', () => setTimeout(resize), { once: true })
                    view.renderer.goTo({ index: view.renderer.index + 20 })
                }),
            size,
        )
        await drawn(page)
    }
    await device.send('Emulation.setCPUThrottlingRate', { rate: 1 })

    // A link within it.
    await goToPage(page, '3')
    await expect.poll(() => frame().locator('a').count()).toBeGreaterThan(5)
    const to = await frame().locator('a').nth(4)
    await to.click()
    await expect(page.locator('#page-of')).not.toHaveText('Page 3 of 311')

    // In a canvas without a size pdf.js measures letters.
    const axe = new AxeBuilder({ page }).exclude('foliate-view').exclude('canvas.hiddenCanvasElement')
    const { violations } = await axe.analyze()
    expect(violations.map(v => v.id)).toEqual([])

    // Without its margins it is smaller than the paper; nothing that is printed is missing.
    const [whole] = await goToPage(page, '100')
    await page.keyboard.press('a')
    await page.getByText('Left out').click()
    await expect
        .poll(async () => (await shown(page))[0]?.width / ((await shown(page))[0]?.height || 1))
        .not.toBeCloseTo(whole.width / whole.height, 2)
    const inside = () =>
        frame().evaluate(() =>
            [...document.querySelectorAll('.textLayer span')]
                .filter(span => span.textContent.trim())
                .map(span => span.getBoundingClientRect())
                .every(
                    box =>
                        box.left >= 0 && box.top >= -2 && box.right <= innerWidth + 2 && box.bottom <= innerHeight + 2,
                ),
        )
    await drawn(page)
    expect(await inside()).toBe(true)
    await page.getByText('Two pages').click()
    await expect(page.locator('#page-of')).toHaveText(/^Pages (99–100|100–101) of 311$/)
    expect((await drawn(page)).length).toBe(2)
    await page.reload()
    await expect(page.locator('#page-of'), 'so it stays').toHaveText(/^Pages (99–100|100–101) of 311$/)
    expect(complaints).toEqual([])
    await giveBack(page, NAME)
})

test('two fingers make a page larger where they are, one moves it', async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
    const page = await context.newPage()
    const complaints = await open(page, NAME)
    const [before] = await drawn(page)
    const client = await context.newCDPSession(page)
    const touch = (type, ...points) =>
        client.send('Input.dispatchTouchEvent', { type, touchPoints: points.map(([x, y], id) => ({ x, y, id })) })
    await touch('touchStart', [160, 400], [230, 400])
    for (let apart = 0; apart <= 70; apart += 10) await touch('touchMove', [160 - apart, 400], [230 + apart, 400])
    await touch('touchEnd')
    await expect.poll(async () => (await drawn(page))[0].width / before.width).toBeGreaterThan(2.5)
    const left = () => page.evaluate(() => document.querySelector('foliate-view').renderer.scrollLeft)
    const from = await left()
    expect(from, 'what was between the fingers still is').toBeGreaterThan(200)
    await expect(page.locator('#page-of')).toHaveText('Page 1 of 311')
    await touch('touchStart', [200, 400])
    for (let moved = 0; moved <= 120; moved += 10) await touch('touchMove', [200 - moved, 400])
    await touch('touchEnd')
    await expect.poll(left).toBeGreaterThan(from)
    await expect(page.locator('#page-of'), 'nothing was turned').toHaveText('Page 1 of 311')
    expect(complaints).toEqual([])
    await giveBack(page, NAME)
})

/** Words in a font that is not in the file, by a character map that only its name is of (ISO 32000-2, 9.7.5.2). */
const withNamedMap = words => {
    const hex = [...words].map(letter => letter.codePointAt(0).toString(16).padStart(4, '0')).join('')
    const stream = `BT /F1 24 Tf 72 700 Td <${hex}> Tj ET`
    const objects = [
        '<< /Type /Catalog /Pages 2 0 R >>',
        '<< /Type /Pages /Kids [3 0 R 3 0 R] /Count 2 >>',
        '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
        `<< /Length ${stream.length} >> stream\n${stream}\nendstream`,
        '<< /Type /Font /Subtype /Type0 /BaseFont /Lantern /Encoding /UniJIS-UCS2-H /DescendantFonts [6 0 R] >>',
        '<< /Type /Font /Subtype /CIDFontType0 /BaseFont /Lantern /FontDescriptor 7 0 R /DW 1000 ' +
            '/CIDSystemInfo << /Registry (Adobe) /Ordering (Japan1) /Supplement 2 >> >>',
        '<< /Type /FontDescriptor /FontName /Lantern /Flags 4 /FontBBox [0 -200 1000 900] /ItalicAngle 0 /Ascent 880 ' +
            '/Descent -120 /CapHeight 700 /StemV 80 >>',
    ]
    let pdf = '%PDF-1.7\n'
    const at = objects.map((object, n) => {
        const start = pdf.length
        pdf += `${n + 1} 0 obj ${object} endobj\n`
        return start
    })
    const xref = pdf.length
    const rows = at.map(start => `${String(start).padStart(10, '0')} 00000 n \n`).join('')
    return `${pdf}xref\n0 8\n0000000000 65535 f \n${rows}trailer << /Size 8 /Root 1 0 R >>\nstartxref\n${xref}\n%%EOF\n`
}

test('character maps that a PDF only names are there', async ({ page }) => {
    const name = `lantern${Date.now()}`
    const file = join(mkdtempSync(join(tmpdir(), 'pdf-')), `${name}.pdf`)
    writeFileSync(file, withNamedMap('灯台と海'), { mode: 0o644 })
    execFileSync('chmod', ['755', join(file, '..')])
    importBooks([file])
    const complaints = await open(page, name)
    await expect(async () =>
        expect(await page.frames().slice(1).at(-1).locator('.textLayer').textContent({ timeout: 1000 })).toBe(
            '灯台と海',
        ),
    ).toPass()
    expect(complaints).toEqual([])
    await giveBack(page, name)
})
