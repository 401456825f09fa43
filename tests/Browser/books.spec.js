// Books that others made, from import to the last page; and books that mean harm.
import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import {
    CARDS,
    bookText,
    borrowAndRead,
    chooseLibrary,
    findTitle,
    giveBack,
    importBooks,
    progress,
    readerIsOpen,
    newCard,
    signIn,
    watch,
} from './library.js'

// Shipped by Debian's documentation packages: EPUB 2 and 3; Latin, Cyrillic, Han, Kana, Hangul and Malayalam script.
const BOOKS = {
    '/usr/share/doc/debian-policy/policy.epub': 'Debian Policy Manual',
    '/usr/share/doc/debian-history/docs/project-history.ru.epub': 'Краткая история Debian',
    '/usr/share/doc/debian-history/docs/project-history.ko.epub': '간단한 데비안 역사',
    '/usr/share/doc/debian-history/docs/project-history.ja.epub': 'Debian 小史',
    '/usr/share/developers-reference/ja/developers-reference.epub': 'developers-reference',
    '/usr/share/doc/eyes17/ml/eyes17.epub': 'expEYES-17',
    '/usr/share/doc/live-manual/epub/live-manual.es.epub': 'Manual de Live Systems',
}

test.beforeAll(() => importBooks(Object.keys(BOOKS)))

for (const [file, name] of Object.entries(BOOKS)) {
    test(`${file} from import to the last page`, async ({ page }) => {
        const complaints = watch(page)
        await signIn(page, newCard('saltmere'))
        await findTitle(page, name)
        await borrowAndRead(page)
        await expect.poll(async () => (await bookText(page)).length + (await page.frames().length)).toBeGreaterThan(1)
        const start = await progress(page)
        await page.keyboard.press('End')
        await expect.poll(() => progress(page)).toBeGreaterThan(0.9)
        await page.keyboard.press('ArrowRight')
        await expect.poll(() => bookText(page)).not.toBe('')
        expect(await progress(page)).toBeGreaterThan(start)
        await page.keyboard.press('c')
        expect(await page.locator('#contents-list a').count()).toBeGreaterThan(0)
        await page.goto('/loans')
        await page
            .getByRole('article')
            .filter({ hasText: name })
            .getByRole('button', { name: /^Return/ })
            .click()
        await expect(page.locator('#said')).toContainText('is returned')
        // A book may name pictures or styles that it does not hold; nothing else may go wrong.
        expect(complaints.filter(c => !/404|ERR_FILE_NOT_FOUND/.test(c))).toEqual([])
    })
}

test('pages of a book from right to left turn the other way', async ({ page }) => {
    await chooseLibrary(page, 'saltmere')
    await page.goto('/titles/9/excerpt')
    await readerIsOpen(page)
    const from = await progress(page)
    await page.keyboard.press('ArrowLeft')
    await expect.poll(() => progress(page)).toBeGreaterThan(from)
    await expect
        .poll(() =>
            page
                .frames()
                .at(-1)
                .evaluate(() => getComputedStyle(document.body).direction)
                .catch(() => 'not yet'),
        )
        .toBe('rtl')
})

test('a picture book of fixed pages keeps its shape', async ({ page }) => {
    await chooseLibrary(page, 'saltmere')
    await page.goto('/titles/7/excerpt')
    await readerIsOpen(page)
    // Of a few fixed pages anyone may see the first.
    await expect(page.locator('#page-of')).toContainText('Page 1 of 1')
    const shape = await page
        .frames()
        .slice(1)
        .at(-1)
        .evaluate(() => document.querySelector('meta[name=viewport]')?.content ?? '')
    expect(shape, 'a page that has a size of its own').toMatch(/width=\d+/)
})

test('nothing inside a book runs, and nothing in it calls home', async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'harm-'))
    chmodSync(folder, 0o755)
    const file = join(folder, 'harm.epub')
    execFileSync('php', ['tests/Browser/harmful-book.php', file])
    importBooks([file])
    await signIn(page, newCard('saltmere'))
    const asked = []
    page.on('request', request => asked.push(request))
    await findTitle(page, 'Harmful Book')
    await borrowAndRead(page)
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'Harm', exact: true }).click()
    await expect.poll(() => bookText(page)).toContain('These are harmless words')
    const pressed = await Promise.all(
        page.frames().map(frame =>
            frame
                .evaluate(() => {
                    const bait = document.querySelector('#bait')
                    bait?.click()
                    return bait !== null
                })
                .catch(() => false),
        ),
    )
    expect(pressed, 'the bait is in one of the frames').toContain(true)
    await page.keyboard.press('End')
    await expect.poll(() => bookText(page)).toContain('More harmless words')
    await page.waitForLoadState('networkidle')
    expect(await page.evaluate(() => window.harmed ?? 'no')).toBe('no')
    expect(await page.title()).not.toContain('harmed')
    expect(page.url()).toContain('/read')
    const home = new URL(page.url()).origin
    const outside = asked.filter(request => !/^(blob:|data:)/.test(request.url()) && !request.url().startsWith(home))
    expect(
        outside.map(request => request.failure()?.errorText).filter(reason => reason !== 'csp'),
        'stopped by the policy before it left',
    ).toEqual([])
    // Opened by itself, a file of the book is as inert.
    const address = `${page.url().replace('/read', '/files')}/book/chapter-01.xhtml`
    const response = await page.goto(address)
    expect(response.headers()['content-security-policy']).toContain('sandbox')
    expect(await page.evaluate(() => document.title)).not.toContain('harmed')
})

test('a loan that ends while one reads stops kindly', async ({ browser }) => {
    const context = await browser.newContext()
    const page = await context.newPage()
    await signIn(page, newCard('hollow-tor'))
    await page.goto('/catalogue?ready=1&format=ebook&order=title')
    const row = page.getByRole('article').filter({ hasNotText: 'The Salt Ledger' }).first()
    const name = await row.getByRole('heading').innerText()
    await findTitle(page, name)
    await borrowAndRead(page)
    const other = await context.newPage()
    await other.goto('/loans')
    await other
        .getByRole('article')
        .filter({ hasText: name })
        .getByRole('button', { name: /^Return/ })
        .click()
    await expect(other.locator('#said')).toContainText('is returned')
    await page.keyboard.press('End')
    await page.keyboard.press('Home')
    await expect(page.getByRole('heading', { name: 'This loan has ended' })).toBeVisible()
    expect((await new AxeBuilder({ page }).analyze()).violations.map(v => v.id)).toEqual([])
})

test('files come in ranges, from the web server', async ({ page }) => {
    await signIn(page, CARDS.imara)
    await page.goto('/loans')
    const read = await page
        .getByRole('article')
        .filter({ hasText: 'The Salt Ledger' })
        .getByRole('link', { name: /^Read/ })
        .getAttribute('href')
    const file = `${read.replace('/read', '/files')}/book/chapter-01.xhtml`
    const whole = await page.request.get(file)
    const part = await page.request.get(file, { headers: { Range: 'bytes=10-29' } })
    expect([whole.status(), part.status()]).toEqual([200, 206])
    expect(await part.text()).toBe((await whole.text()).slice(10, 30))
    expect(whole.headers()['content-type']).toContain('application/xhtml+xml')
    expect((await page.request.get(`/_publications/${file}`)).status()).toBe(404)
})

test('a book of a thousand pages, with mathematics, a table wider than the page and many notes', async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'long-'))
    chmodSync(folder, 0o755)
    const file = join(folder, 'long.epub')
    execFileSync('php', ['tests/Browser/long-book.php', file])
    importBooks([file])
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await findTitle(page, 'The Long Sounding')
    await borrowAndRead(page)
    await expect(page.locator('#page-of')).toContainText('of 1074')
    await page.keyboard.press('c')
    await page.getByLabel('Go to page').fill('900')
    await page.getByRole('button', { name: 'Go', exact: true }).click()
    await expect(page.locator('#page-of')).toContainText(/Pages? (89\d–)?90\d of/)
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'Sounding 13' }).click()
    await expect.poll(() => bookText(page)).toContain('at half tide')
    const shown = await page
        .frames()
        .slice(1)
        .at(-1)
        .evaluate(() => ({
            numerator: document.querySelector('mfrac').children[0].getBoundingClientRect().bottom,
            denominator: document.querySelector('mfrac').children[1].getBoundingClientRect().top,
            table: document.querySelector('table').getBoundingClientRect().width,
        }))
    expect(shown.numerator, 'what is above the line of a fraction').toBeLessThanOrEqual(shown.denominator + 1)
    expect(shown.table).toBeLessThan(1280)
    await page.keyboard.press('f')
    await page.getByLabel('Find in book').fill('mark 2611,')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toContainText('12 places in one chapter.')
    await page.locator('.found').first().click()
    await expect(page.locator('#where')).toContainText('Sounding 26')
    expect(complaints).toEqual([])
    await giveBack(page, 'The Long Sounding')
})

const oddBook = async page => {
    const folder = mkdtempSync(join(tmpdir(), 'odd-'))
    chmodSync(folder, 0o755)
    const file = join(folder, 'odd.epub')
    execFileSync('php', ['tests/Browser/odd-book.php', file])
    importBooks([file])
    await signIn(page, newCard('saltmere'))
    await findTitle(page, 'The Odd Drawers')
    await borrowAndRead(page)
}

test('names of files with any characters, drawings, pictures and empty parts are read like any other', async ({
    page,
}) => {
    const complaints = watch(page)
    await oddBook(page)
    // By turning pages: every part comes, and the bar names the one whose words are on the page.
    for (let part = 1; part <= 9; part++) {
        await expect(page.locator('#chapter'), `part ${part}`).toHaveText(`Part ${part} ·`)
        if (![7, 8].includes(part)) await expect.poll(() => bookText(page)).toContain(`words of part ${part}.`)
        if (part < 9) await page.keyboard.press('ArrowRight')
    }
    await expect.poll(() => progress(page)).toBe(1)
    // By links within the text, to and fro.
    await page.getByRole('button', { name: 'Contents' }).click()
    await page.getByRole('link', { name: 'Part 1', exact: true }).click()
    for (let part = 1; part <= 4; part++) {
        await expect.poll(() => bookText(page)).toContain(`words of part ${part}.`)
        await page
            .frames()
            .at(-1)
            .evaluate(() => document.querySelector('a').click())
    }
    await expect(page.locator('#chapter')).toHaveText('Part 5 ·')
    // A place in such a file is kept.
    await expect
        .poll(() => page.evaluate(() => Object.keys(localStorage).some(of => of.startsWith('last:'))))
        .toBe(true)
    await page.reload()
    await readerIsOpen(page)
    await expect(page.locator('#chapter')).toHaveText('Part 5 ·')
    // And found in.
    await page.getByRole('button', { name: 'Find' }).click()
    await page.locator('#find-words').fill('words of part')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find')).toContainText('7 places in 7 chapters')
    expect(complaints).toEqual([])
})

test('a chapter that does not come is said, changes nothing, and comes by itself later', async ({ page }) => {
    await oddBook(page)
    await page.route(/plain|table/, route => route.fulfill({ status: 500, body: 'broken' }))
    await page.keyboard.press('ArrowRight')
    const notice = page.locator('#notice')
    await expect(notice).toContainText('This chapter did not come')
    await expect(page.locator('#chapter')).toHaveText('Part 1 ·')
    expect(await bookText(page)).toContain('words of part 1.')
    // It is not stuck: asked again while it is still broken, it says so again, and Find goes on with the rest.
    await notice.getByRole('button', { name: 'Try again' }).click()
    await expect(notice).toContainText('This chapter did not come')
    await page.getByRole('button', { name: 'Find' }).click()
    await page.locator('#find-words').fill('words of part')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find')).toContainText('5 places')
    await expect(page.locator('#find')).toContainText('not looked through: 2')
    await page.keyboard.press('Escape')
    await page.unroute(/plain|table/)
    await page.context().setOffline(true)
    await page.context().setOffline(false)
    await expect(page.locator('#chapter')).toHaveText('Part 2 ·', { timeout: 20_000 })
    await expect(notice).toBeEmpty()
    expect(await bookText(page)).toContain('words of part 2.')
})

test('a place in a file that is gone opens about as far', async ({ page }) => {
    await oddBook(page)
    const address = page.url()
    await page.goto('/loans')
    await page.evaluate(
        key => {
            const locator = {
                href: 'gone.xhtml',
                type: 'application/xhtml+xml',
                locations: {
                    progression: 0.5,
                    position: 3,
                    totalProgression: 0.35,
                    fragments: ['epubcfi(/6/998!/4/2)'],
                },
            }
            localStorage.setItem(`place:${key}`, JSON.stringify({ locator, read_at: Date.now() }))
        },
        `${new URL(address).pathname.replace(/\/read.*$/, '')}/place`,
    )
    await page.goto(address)
    await readerIsOpen(page)
    await expect(page.locator('#notice')).toContainText('no longer in this book')
    await expect(page.locator('#chapter')).toHaveText(/Part [345] ·/)
    await expect.poll(() => bookText(page)).toMatch(/words of part [345]\./)
})
