// Loans on a device without a network: taken, opened from cold, marked, merged, and gone when the loan is over.
import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import {
    bookText,
    borrow,
    borrowAndRead,
    findTitle,
    importBooks,
    newCard,
    readerIsOpen,
    signIn,
    watch,
} from './library.js'

const row = (page, name) => page.getByRole('article').filter({ hasText: name })

const takeOffline = async (page, name) => {
    await page.goto('/loans')
    await row(page, name)
        .getByRole('button', { name: /^Take offline · \d/ })
        .click()
    await expect(row(page, name)).toContainText('On this device')
}

test('a book opens from cold without a network, and what is marked there reaches the library', async ({ browser }) => {
    const context = await browser.newContext()
    let page = await context.newPage()
    const card = newCard('saltmere')
    await signIn(page, card)
    await findTitle(page, 'The Ferry Kitchen')
    await borrowAndRead(page)
    const address = page.url()
    await takeOffline(page, 'The Ferry Kitchen')

    // What lies there cannot be read without the key, and the key cannot be taken out.
    const stored = await page.evaluate(
        () =>
            new Promise(resolve => {
                indexedDB.open('offline').onsuccess = ({ target: { result: db } }) => {
                    const found = { text: '' }
                    db.transaction('loans').objectStore('loans').getAll().onsuccess = e => {
                        found.key = e.target.result[0].key.extractable
                    }
                    const all = db.transaction('chunks').objectStore('chunks').getAll()
                    all.onsuccess = () => {
                        found.text = all.result.map(chunk => new TextDecoder().decode(chunk.secret)).join('')
                        resolve(found)
                    }
                }
            }),
    )
    expect(stored.key).toBe(false)
    expect(stored.text.length).toBeGreaterThan(10_000)
    expect(stored.text).not.toContain('onion')
    await page.close()

    await context.setOffline(true)
    page = await context.newPage()
    const complaints = []
    page.on('pageerror', error => complaints.push(error.message))
    await page.goto('/porch')
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('On this device')
    await expect(page.getByText('There is no network at the moment.')).toBeVisible()
    await page.getByRole('link', { name: /^Open/ }).click()
    await readerIsOpen(page)
    await page.keyboard.press('End')
    await expect.poll(() => bookText(page)).toContain('It is the only dish in this book that always works.')
    await page.keyboard.press('m')
    const note = `Without a network ${Date.now()}`
    await page.getByRole('button', { name: 'Bookmark this place' }).click()
    await page.locator('.mark-list').getByRole('button', { name: 'Add note' }).click()
    await page.getByLabel('Note', { exact: true }).fill(note)
    await page.getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(page.locator('.mark-list')).toContainText(note)
    // Opened once more, still without a network, it is where it was left.
    await page.goto(address)
    await readerIsOpen(page)
    await expect.poll(() => bookText(page)).toContain('It is the only dish in this book that always works.')
    await page.keyboard.press('m')
    await expect(page.locator('.mark-list')).toContainText(note)

    await context.setOffline(false)
    await page.goto('/loans')
    const other = await (await browser.newContext()).newPage()
    await signIn(other, card)
    await expect(async () => {
        await other.goto('/marks')
        await expect(other.locator('main')).toContainText(note, { timeout: 1000 })
        const places = await other.request.get(address.replace('read', 'places'))
        expect(Math.max(...(await places.json()).map(p => p.locator.locations.totalProgression))).toBeGreaterThan(0.8)
    }).toPass()

    // Returned elsewhere, it leaves this device at the next contact.
    await other.goto('/loans')
    await row(other, 'The Ferry Kitchen')
        .getByRole('button', { name: /^Return/ })
        .click()
    await expect(other.locator('#said')).toContainText('is returned')
    await page.goto('/loans')
    await expect(async () => {
        await page.goto('/offline')
        await expect(page.getByText('Nothing is on this device.')).toBeVisible({ timeout: 1000 })
    }).toPass()
    expect(complaints).toEqual([])
})

test('a recording plays from the device, and is gone when the loan is due though there is no network', async ({
    browser,
}) => {
    const context = await browser.newContext()
    const page = await context.newPage()
    await signIn(page, newCard('saltmere'))
    await page.goto('/catalogue?format=music&q=Falling+Glass')
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await borrow(page)
    await takeOffline(page, 'Falling Glass')
    await context.setOffline(true)
    await page.goto('/offline')
    await page.getByRole('link', { name: /^Open/ }).click()
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    const time = () => page.locator('#media').evaluate(media => media.currentTime)
    await expect.poll(time).toBeGreaterThan(0.3)
    await page.locator('#media').evaluate(media => {
        media.currentTime = media.duration - 3
    })
    await expect
        .poll(() => page.locator('#media').evaluate(media => media.seeking || media.currentTime < media.duration - 3.5))
        .toBe(false)

    // The clock of the device goes past the due date, then back again.
    await page.evaluate(
        () =>
            new Promise(resolve => {
                indexedDB.open('offline').onsuccess = ({ target: { result: db } }) => {
                    const store = db.transaction('loans', 'readwrite').objectStore('loans')
                    store.getAll().onsuccess = e =>
                        (store.put({ ...e.target.result[0], seen: e.target.result[0].due + 1 }).onsuccess = resolve)
                }
            }),
    )
    await page.goto('/offline')
    await expect(page.getByText('The loan has ended, and it has left this device.')).toBeVisible()
    expect(
        await page.evaluate(
            () =>
                new Promise(resolve => {
                    indexedDB.open('offline').onsuccess = ({ target: { result: db } }) => {
                        db.transaction('chunks').objectStore('chunks').count().onsuccess = e => resolve(e.target.result)
                    }
                }),
        ),
    ).toBe(0)
    await page.getByRole('button', { name: /^Understood/ }).click()
    await expect(page.getByText('Nothing is on this device.')).toBeVisible()
})

test('taking offline pauses and goes on; signing out clears the device; what costs is asked about first', async ({
    browser,
}) => {
    const context = await browser.newContext()
    const page = await context.newPage()
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await page.goto('/catalogue?format=music&q=Falling+Glass')
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await borrow(page)
    // By choice of the person, on all their devices; what is not chosen comes as ever.
    await page.goto('/settings')
    const saved = page.waitForResponse(response => response.url().endsWith('/settings/mobile-data'))
    await page.getByLabel('taking a loan offline').check()
    await saved
    await page.addInitScript(() => Object.defineProperty(navigator, 'connection', { value: { saveData: true } }))
    await page.goto('/loans')
    const album = row(page, 'Falling Glass')
    await album.getByRole('button', { name: /^Take offline/ }).click()
    await expect(album).toContainText('This connection costs, and you wanted to be asked first.')
    // The third file does not come before it is let through, so that there is time to press Pause.
    let letThrough
    const waits = new Promise(resolve => {
        letThrough = resolve
    })
    let asked = 0
    await page.route('**/files/**', async route => {
        if (++asked === 3) await waits
        await route.continue().catch(() => {})
    })
    await album.getByRole('button', { name: /^Do it anyway/ }).click()
    await expect.poll(() => asked).toBe(3)
    await album.getByRole('button', { name: /^Pause/ }).click()
    letThrough()
    await expect(album.getByRole('button', { name: /^Go on · [\d.]+ (kB|MB) of / })).toBeVisible()
    await page.goto('/settings')
    const taken = page.waitForResponse(response => response.url().endsWith('/settings/mobile-data'))
    await page.getByLabel('taking a loan offline').uncheck()
    await taken
    // By choice on this device alone.
    await page.goto('/offline')
    await page.getByLabel('Data saver').check()
    await page.goto('/loans')
    await album.getByRole('button', { name: /^Go on/ }).click()
    await album.getByRole('button', { name: /^Do it anyway/ }).click()
    await expect(album).toContainText('On this device')

    await album.getByRole('link', { name: /^Listen/ }).click()
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    await expect
        .poll(() => page.locator('#media').evaluate(media => media.currentTime), 'what is here costs nothing')
        .toBeGreaterThan(0.2)
    await page.goto('/loans')
    await page.getByRole('button', { name: 'Sign out' }).click()
    await expect(page).not.toHaveURL(/loans/)
    await page.goto('/offline')
    await expect(page.getByText('Nothing is on this device.')).toBeVisible()
    expect(complaints).toEqual([])
})

test('files of a loan are as inert from this device as from the library', async ({ browser }) => {
    const folder = mkdtempSync(join(tmpdir(), 'harm-'))
    chmodSync(folder, 0o755)
    execFileSync('php', ['tests/Browser/harmful-book.php', join(folder, 'harm.epub')])
    importBooks([join(folder, 'harm.epub')])
    const context = await browser.newContext()
    const page = await context.newPage()
    await signIn(page, newCard('saltmere'))
    await findTitle(page, 'Harmful Book')
    await borrowAndRead(page)
    const files = page.url().replace('/read', '/files/book')
    /** The headers that say what may be done with a file, as a page of the library gets them. */
    const policyOf = name =>
        page.evaluate(async address => {
            const { status, headers } = await fetch(address)
            const said = ['content-security-policy', 'x-content-type-options', 'cache-control', 'x-frame-options']
            return [status, ...said.map(header => headers.get(header))]
        }, `${files}/${name}`)
    const tried = ['evil.xhtml', 'evil.svg', 'evil.js', 'chapter-01.xhtml']
    await page.goto('/loans')
    const fromLibrary = Object.fromEntries(await Promise.all(tried.map(async name => [name, await policyOf(name)])))
    for (const name of tried) expect(fromLibrary[name][1], name).toContain('sandbox')
    await takeOffline(page, 'Harmful Book')
    for (const offline of [false, true]) {
        await context.setOffline(offline)
        await page.goto('/loans')
        for (const name of tried) {
            expect(await policyOf(name), `${name}, ${offline}`).toEqual(fromLibrary[name])
            // By a link, in a frame and as a script: nothing of it is shown, and nothing runs.
            const alone = await context.newPage()
            const answer = await alone.goto(`${files}/${name}`)
            expect(answer.status(), `${name} by itself`).toBe(403)
            expect(answer.headers()['content-security-policy']).toContain('sandbox')
            await alone.waitForLoadState('networkidle')
            expect(await alone.title()).toBe('')
            await alone.close()
        }
        const script = page.waitForResponse(r => r.url().endsWith('/evil.js'))
        await page.evaluate(address => {
            document.head.append(Object.assign(document.createElement('script'), { src: address }))
        }, `${files}/evil.js`)
        expect((await script).status()).toBe(403)
        expect(await page.title()).not.toContain('harmed')
    }
})
