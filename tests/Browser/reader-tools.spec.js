// What a reader does with a text beside reading it: finding, marking, copying, looking up, citing, notes in place.
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { borrowAndRead, findTitle, giveBack, newCard, signIn, watch } from './library.js'

/** Borrows a book and opens it; gives what the page will complain of. */
const open = async (page, name, card = newCard('saltmere')) => {
    const complaints = watch(page)
    await signIn(page, card)
    await findTitle(page, name)
    await borrowAndRead(page)
    return complaints
}

const lookForFaults = async page => {
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 160)).join(' | ')}`)).toEqual([])
}

/** The document of the book in which a text is, as foliate shows it. */
const select = async (page, words) => {
    await expect(async () => {
        for (const frame of page.frames().slice(1)) {
            const found = await frame.evaluate(wanted => {
                const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
                for (let node = walker.nextNode(); node; node = walker.nextNode()) {
                    const at = node.data.indexOf(wanted)
                    if (at < 0) continue
                    document.getSelection().setBaseAndExtent(node, at, node, at + wanted.length)
                    return true
                }
                return false
            }, words)
            if (found) return
        }
        throw new Error(`“${words}” is not on the page`)
    }).toPass()
    await expect(page.getByRole('toolbar', { name: 'Selected text' })).toBeVisible()
}

/** Where words of the book are on the screen. */
const whereIs = async (page, words) => {
    for (const frame of page.frames().slice(1)) {
        const box = await frame.evaluate(wanted => {
            const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
            for (let node = walker.nextNode(); node; node = walker.nextNode()) {
                const at = node.data.indexOf(wanted)
                if (at < 0) continue
                const range = document.createRange()
                range.setStart(node, at)
                range.setEnd(node, at + wanted.length)
                const { left, right, top, bottom } = range.getBoundingClientRect()
                return { left, right, top, bottom }
            }
            return null
        }, words)
        if (!box) continue
        const { x, y } = await (await frame.frameElement()).boundingBox()
        return { left: x + box.left, right: x + box.right, top: y + box.top, bottom: y + box.bottom }
    }
    throw new Error(`“${words}” is not in the book as it is shown`)
}

test('finding steps from place to place, with what stands around each', async ({ page }) => {
    const complaints = await open(page, 'Letters from Cinder Point')
    await page.keyboard.press('f')
    await page.getByLabel('Find in book').fill('RÖOF')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toHaveText('5 places in 4 chapters.')
    await expect(page.locator('.found').first()).toContainText('There is no roof')
    await page.keyboard.press('Enter')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toHaveText('Place 2 of 5.')
    await expect(page.locator('.found[aria-current]')).toContainText('paid for the roof')
    await expect(page.locator('#where')).toContainText('September')
    for (let n = 0; n < 2; n++) await page.getByRole('button', { name: 'Previous place' }).click()
    await expect(page.locator('#find-answer')).toHaveText('Place 5 of 5.')
    // Words that run over an edge of markup are one text.
    await page.getByLabel('Find in book').fill('Mr Brack,1 who is')
    await page.locator('#find-form').getByRole('button').click()
    await expect(page.locator('#find-answer')).toHaveText('One place.')
    await page.getByLabel('Find in book').fill('submarine')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toHaveText('“submarine” is not in this book.')
    await page.getByLabel('Find in book').fill('x')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toHaveText('Type at least two letters.')
    await lookForFaults(page)
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('text is highlighted, noted, copied within the allowance, looked up and cited', async ({
    page,
    context,
    browser,
}) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    const card = newCard('saltmere')
    const complaints = await open(page, 'The Ferry Kitchen', card)
    const address = page.url()
    await page.keyboard.press('f')
    await page.getByLabel('Find in book').fill('onion')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toContainText('places in')
    const words = await page.locator('.found').first().innerText()
    await page.locator('.found').first().click()
    await page.keyboard.press('Escape')

    await select(page, 'onion')
    const kept = page.waitForResponse(r => r.url().includes('/marks/') && r.status() === 204)
    await page.getByRole('button', { name: 'Highlight: fig' }).click()
    await kept
    await expect(page.getByRole('toolbar', { name: 'Selected text' })).toBeHidden()

    await select(page, 'onion')
    await page.getByRole('button', { name: 'Note', exact: true }).click()
    // One box, at the text that it belongs to; what was written is kept by Escape, too.
    const box = page.locator('#note-box')
    await expect(box.locator('.mark-quote')).toHaveText('onion')
    await box.getByLabel('Note').fill('How many?')
    const text = await whereIs(page, 'onion')
    const there = await box.boundingBox()
    const apart = Math.max(there.y - text.bottom, text.top - (there.y + there.height))
    expect(apart).toBeGreaterThanOrEqual(0)
    expect(apart).toBeLessThan(40)
    await page.keyboard.press('Escape')
    await expect(box).toHaveCount(0)
    // It stands beside the text, and is opened there again.
    const beside = page.locator('#beside > button')
    await expect(beside).toHaveCount(1)
    const side = await beside.boundingBox()
    expect(Math.abs(side.y - text.top)).toBeLessThan(20)
    expect(side.x + side.width < text.left || side.x > text.right).toBe(true)
    await beside.click()
    await box.getByLabel('Note').fill('Something else')
    await box.getByRole('button', { name: 'Leave as it was' }).click()
    await page.keyboard.press('m')
    await expect(page.locator('.mark-list > li')).toHaveCount(1)
    await expect(page.locator('.mark-list > li')).toContainText('How many?')
    await expect(page.locator('.mark-quote')).toHaveText('onion')
    await expect(page.locator('.mark-quote')).toHaveAttribute('data-colour', 'fig')
    await page.keyboard.press('Escape')

    await select(page, 'onion')
    await page.getByRole('button', { name: 'Copy', exact: true }).click()
    await expect(page.locator('#notice')).toContainText('Copied.')
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('onion')

    await select(page, 'onion')
    await page.getByRole('button', { name: 'Look up', exact: true }).click()
    await expect(page.locator('#word-box')).toContainText('edible bulb')
    await page.locator('#word [data-close]').click()

    await select(page, 'onion')
    await page.getByRole('button', { name: 'Cite', exact: true }).click()
    await expect(page.locator('#cite-box')).toContainText('In the bibliography')
    await expect(page.locator('#cite-box h3')).toHaveText(['APA', 'MLA', 'Chicago', 'Harvard', 'Vancouver', 'ASA'])

    // Another device has the highlight, and takes it away by pressing on it.
    const other = await (await browser.newContext()).newPage()
    await signIn(other, card)
    await other.goto(address)
    await expect(other.locator('#reader')).toHaveAttribute('data-ready', 'yes')
    await other.keyboard.press('m')
    await other.locator('.mark-go').click()
    await other.keyboard.press('Escape')
    await expect(async () => {
        const { left, right, top, bottom } = await whereIs(other, 'onion')
        await other.mouse.click((left + right) / 2, (top + bottom) / 2)
        await expect(other.getByRole('button', { name: 'Highlight: fig' })).toHaveAttribute('aria-pressed', 'true', {
            timeout: 2000,
        })
    }).toPass()
    await expect(other.locator('#selection [data-note]')).toHaveText('How many?')
    await other.locator('#selection').getByRole('button', { name: 'Remove' }).click()
    await other.keyboard.press('m')
    await expect(other.locator('.mark-list > li')).toHaveCount(0)
    expect(words).toContain('onion')
    expect(complaints).toEqual([])
    await giveBack(page, 'The Ferry Kitchen')
})

test('a link to a section leads there once the title is borrowed, and a mark to its place', async ({ page }) => {
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await findTitle(page, 'Letters from Cinder Point')
    const title = page.url()
    await page.locator('#contents summary').click()
    await page.locator('#contents').getByRole('link', { name: 'December' }).click()
    await expect(page.getByText('Borrow this title, and it opens at “December”.')).toBeVisible()
    await borrowAndRead(page)
    await expect(page.locator('#where')).toContainText('December')
    const address = page.url()
    expect(address).toMatch(/\/read$/)

    // Loaded again it is where it was left, and so it is by its own address.
    await page.keyboard.press('Home')
    await expect(page.locator('#where')).not.toContainText('December')
    await page.keyboard.press('PageDown')
    const kept = page.waitForResponse(r => r.url().endsWith('/place') && r.ok())
    await page.keyboard.press('m')
    const marked = page.waitForResponse(r => r.url().includes('/marks/') && r.status() === 204)
    await page.getByRole('button', { name: 'Bookmark this place' }).click()
    await marked
    await page.keyboard.press('Escape')
    await kept
    await page.reload()
    await expect(page.locator('#reader')).toHaveAttribute('data-ready', 'yes')
    await expect(page.locator('#where')).not.toContainText('December')

    // On loan, the link leads there at once; where one was is offered, though the bars are put away.
    const was = await page.locator('#page-of').innerText()
    await page.goto(title)
    await page.locator('#contents summary').click()
    await page.locator('#contents').getByRole('link', { name: 'December' }).click()
    await expect(page.locator('#where')).toContainText('December')
    const box = await page.locator('#page').boundingBox()
    await page.mouse.click(box.x + box.width / 2, box.y + box.height - 30)
    await expect(page.locator('#reader')).toHaveClass(/bare/)
    await expect(page.locator('#notice')).toContainText('You left off on page')
    await page.getByRole('button', { name: 'Go there' }).click()
    await expect(page.locator('#page-of')).toHaveText(was)

    await page.goto('/marks')
    await page.locator('main').getByRole('link', { name: /^Page/ }).click()
    await expect(page.locator('#page-of')).toHaveText(was)
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('text is selected and highlighted by keys alone', async ({ page }) => {
    const complaints = await open(page, 'The Ferry Kitchen')
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'Storm Eggs' }).press('Enter')
    await expect(page.locator('#where')).toContainText('Storm Eggs')
    // From the contents the keys go to the page.
    await page.locator('#open-contents').evaluate(button => button.blur())
    await page.keyboard.press('s')
    const bar = page.getByRole('toolbar', { name: 'Selected text' })
    await expect(bar).toBeVisible()
    for (const key of ['ArrowRight', 'ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight'])
        await page.keyboard.press(key)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'Highlight: lamp' })).toBeFocused()
    const kept = page.waitForResponse(r => r.url().includes('/marks/') && r.status() === 204)
    await page.keyboard.press('Enter')
    expect((await kept).request().postDataJSON()).toMatchObject({
        colour: 'lamp',
        locator: { text: { highlight: 'There are days' } },
    })
    await page.keyboard.press('m')
    const mark = page.locator('.mark-list > li').filter({ hasText: 'There are days' })
    await expect(mark).toHaveCount(1)
    await mark.getByRole('button', { name: /^Remove/ }).press('Enter')
    await expect(mark).toHaveCount(0)
    await page.keyboard.press('Escape')
    // The list of keys comes from within the book, too, and Escape puts away the list alone.
    await page
        .frames()
        .at(-1)
        .evaluate(() => window.focus())
    await expect.poll(() => page.evaluate(() => document.activeElement.localName)).toBe('foliate-view')
    const list = page.getByRole('dialog', { name: 'Keys' })
    await page.keyboard.press('?')
    await expect(list).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(list).toBeHidden()
    await expect(page.locator('#where')).toContainText('Storm Eggs')
    expect(complaints).toEqual([])
    await giveBack(page, 'The Ferry Kitchen')
})

test('a note to the text opens in place', async ({ page }) => {
    const complaints = await open(page, 'Letters from Cinder Point')
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'October' }).click()
    await expect(page.locator('#where')).toContainText('October')
    const at = await page.locator('#page-of').innerText()
    await expect(async () => {
        for (const frame of page.frames().slice(1)) {
            const link = frame.locator('a[role=doc-noteref]')
            if (await link.count()) return link.first().click({ timeout: 2000 })
        }
        throw new Error('no note is called')
    }).toPass()
    const note = page.getByRole('complementary', { name: 'Note to the text' })
    await expect(note).toBeVisible()
    await expect(async () => {
        const texts = await Promise.all(
            page
                .frames()
                .slice(1)
                .map(f =>
                    f
                        .locator('body')
                        .innerText()
                        .catch(() => ''),
                ),
        )
        expect(texts.some(t => t.trim().startsWith('The ferry’s bill of lading'))).toBe(true)
    }).toPass()
    expect(await page.locator('#page-of').innerText()).toBe(at)
    await page.keyboard.press('Escape')
    await expect(note).toBeHidden()
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('pages are printed from the reader, and the text left is told at the reader’s own pace', async ({ page }) => {
    const complaints = await open(page, 'Letters from Cinder Point')
    await page.keyboard.press('Home')
    await expect(page.locator('#left')).toContainText(/min left/)
    const slow = parseInt((await page.locator('#left').innerText()).match(/(\d+) min(?! left in)/)[1])
    // Somebody who reads four times as slowly.
    await page.evaluate(() => localStorage.setItem('pace', JSON.stringify({ bytes: 4000, minutes: 10 })))
    await page.reload()
    await page.keyboard.press('Home')
    await expect
        .poll(async () => parseInt((await page.locator('#left').innerText()).match(/(\d+) min(?! left in)/)?.[1] ?? 0))
        .toBeGreaterThan(slow * 2)

    // From the page that is open.
    await page.keyboard.press('End')
    await expect(page.locator('#page-of')).not.toContainText(/Pages? 1\b/)
    const [, first] = (await page.locator('#page-of').innerText()).match(/Pages? (\w+)/)
    await page.keyboard.press('c')
    await page.getByRole('link', { name: 'Print or mail pages' }).click()
    await expect(page.getByLabel('From page')).toHaveValue(first)
    await expect(page.getByLabel('To page')).toHaveValue(first)
    await page
        .getByRole('listitem')
        .filter({ hasText: 'October' })
        .getByRole('button', { name: /^Show to print/ })
        .click()
    await expect(page.getByRole('article')).toContainText('four hundred and twelve pieces')
    await page.emulateMedia({ media: 'print' })
    await expect(page.getByRole('button', { name: 'Print', exact: true })).toBeHidden()
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('a magazine is read by pages and as text, article by article', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await page.goto('/catalogue?format=magazine&q=%22winter+lay-up%22')
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await borrowAndRead(page)
    await page.keyboard.press('c')
    await expect(page.locator('#contents').getByRole('heading', { name: 'Articles' })).toBeVisible()
    await page.locator('#contents-list').getByRole('link', { name: 'A Lamp That Runs on Nothing' }).click()
    await expect(page.locator('#page-of')).toHaveText('Page 3 of 4')
    await page.keyboard.press('t')
    const text = page.getByRole('region', { name: 'Text' })
    await expect(text.getByRole('heading', { level: 1 })).toHaveText('A Lamp That Runs on Nothing')
    await expect(text).toContainText('see that it is doing nothing properly')
    await expect(text).not.toContainText('Issue 21')
    await text.getByRole('button', { name: 'Next article' }).click()
    await expect(text.getByRole('heading', { level: 1 })).toHaveText('Letters')
    await expect(text.getByRole('button', { name: 'Next article' })).toBeDisabled()
    await lookForFaults(page)
    await page.keyboard.press('Escape')
    await expect(text).toBeHidden()
    await expect(page.locator('#page-of')).toHaveText('Page 4 of 4')

    // Where the licence sets a limit, what copying takes is said before; the same words once more take nothing.
    await page.keyboard.press('PageUp')
    await expect(page.locator('#page-of')).toHaveText('Page 3 of 4')
    await select(page, 'nothing properly')
    const price = page.locator('[data-price]')
    await expect(price).toHaveText(/^Copying takes 0[.]\d+ of 10 pages left[.]$/)
    await page.getByRole('button', { name: 'Copy', exact: true }).click()
    await expect(page.locator('#notice')).toContainText(/Copied[.] This loan may print or copy 9([.]\d)? pages more[.]/)
    await select(page, 'nothing properly')
    await expect(price).toHaveText('Copied before: copying takes nothing more.')
    expect(complaints).toEqual([])
    await giveBack(page, 'Tide & Timber')
})

test('a book with a recording is read along, the sentence lit as it is spoken', async ({ page }) => {
    // The sounds that the page plays stand in no document.
    await page.addInitScript(() => {
        window.played = new Set()
        const { play } = HTMLMediaElement.prototype
        HTMLMediaElement.prototype.play = function () {
            window.played.add(this)
            return play.call(this)
        }
    })
    const complaints = await open(page, 'Goodnight, Harbour')
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'Goodnight, Harbour' }).click()
    await page.keyboard.press('c')
    await page.getByRole('button', { name: 'Read aloud' }).click()
    const lit = async () =>
        (
            await Promise.all(
                page
                    .frames()
                    .slice(1)
                    .map(f =>
                        f
                            .locator('.spoken')
                            .allTextContents()
                            .catch(() => []),
                    ),
            )
        )
            .flat()
            .find(Boolean) ?? ''
    // A sentence is lit for a second or two: it is looked for more often than the default does in the end.
    const intervals = [100]
    await expect.poll(lit, { intervals }).toBe('The tide goes out to bed.')
    await expect.poll(lit, { intervals }).toBe('The boats sit down in the mud.')
    const bar = page.getByRole('toolbar', { name: 'Read aloud' })
    await bar.getByLabel('Speed').selectOption('2')
    await bar.getByRole('button', { name: 'Pause' }).click()
    await expect.poll(() => page.evaluate(() => [...window.played].every(sound => sound.paused))).toBe(true)
    await bar.getByRole('button', { name: 'Go on' }).click()
    await expect.poll(() => page.evaluate(() => [...window.played].some(sound => !sound.paused))).toBe(true)
    // On into the next chapter by itself.
    await expect.poll(lit, { timeout: 60_000, intervals }).toBe('The baker banks the oven.')
    await expect(page.locator('#where')).toContainText('Goodnight, Town')
    await page.keyboard.press('r')
    await expect(bar).toBeHidden()
    expect(complaints).toEqual([])
    await giveBack(page, 'Goodnight, Harbour')
})

test('a book without a recording is read by the browser’s voice, from the page that is open into the next chapter', async ({
    page,
}) => {
    // A headless machine has no voice: this one says each paragraph at once, and keeps what it said.
    await page.addInitScript(() => {
        window.said = []
        window.SpeechSynthesisUtterance = function (text) {
            this.text = text
        }
        Object.defineProperty(window, 'speechSynthesis', {
            value: {
                getVoices: () => window.voices ?? [],
                speak: utterance => {
                    window.said.push([utterance.text, utterance.lang, utterance.rate])
                    if (window.said.length < 12) setTimeout(() => utterance.onend(), 20)
                },
                cancel() {},
                pause() {},
                resume() {},
            },
        })
    })
    const complaints = await open(page, 'Letters from Cinder Point')
    await page.keyboard.press('c')
    await page.locator('#contents-list').getByRole('link', { name: 'October' }).click()
    await expect(page.locator('#where')).toContainText('October')
    await page.evaluate(() => {
        window.voices = [{ lang: 'es_ES' }, { lang: 'en-GB' }]
    })
    await page.keyboard.press('r')
    await expect(page.getByRole('toolbar', { name: 'Read aloud' })).toBeVisible()
    await expect.poll(() => page.evaluate(() => window.said.length)).toBe(12)
    const said = await page.evaluate(() => window.said)
    expect(said.slice(0, 2)).toEqual([
        ['October', 'en', 1],
        ['Dear Mother,', 'en', 1],
    ])
    expect(said.map(([text]) => text)).toContain('December')
    const lit = await Promise.all(
        page
            .frames()
            .slice(1)
            .map(f =>
                f
                    .locator('.spoken-now')
                    .first()
                    .textContent({ timeout: 500 })
                    .catch(() => null),
            ),
    )
    expect(lit).toContain(said.at(-1)[0])
    await page.keyboard.press('Escape')
    await expect(page.getByRole('toolbar', { name: 'Read aloud' })).toBeHidden()
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('a book that the browser has no voice for is read by the library’s, sentence after sentence', async ({ page }) => {
    // Sounds are played out at once, so that they need not be listened to.
    await page.addInitScript(() => {
        window.heard = []
        HTMLMediaElement.prototype.play = async function () {
            const sound = await fetch(this.src).then(response => response.arrayBuffer())
            const decoded = await new OfflineAudioContext(1, 16_000, 16_000).decodeAudioData(sound)
            window.heard.push({ seconds: decoded.duration, rate: this.playbackRate })
            if (window.heard.length < 5) setTimeout(() => this.dispatchEvent(new Event('ended')), 20)
        }
    })
    const complaints = await open(page, 'Letters from Cinder Point')
    const asked = []
    page.on('request', request => request.url().endsWith('/speech') && asked.push(request.postDataJSON().text))
    await page.keyboard.press('c')
    await expect(page.locator('#aloud-hint')).toBeHidden()
    await page.locator('#contents-list').getByRole('link', { name: 'October' }).click()
    await expect(page.locator('#where')).toContainText('October')
    await page.keyboard.press('r')
    const bar = page.getByRole('toolbar', { name: 'Read aloud' })
    await bar.getByLabel('Speed').selectOption('1.5')
    await expect.poll(() => page.evaluate(() => window.heard.length)).toBe(5)
    const heard = await page.evaluate(() => window.heard)
    expect(heard.every(({ seconds }) => seconds > 0.2)).toBe(true)
    expect(heard.at(-1).rate).toBe(1.5)
    expect(asked.slice(0, 2)).toEqual(['October', 'Dear Mother,'])
    expect(asked.every(text => text.length <= 300)).toBe(true)
    await page.keyboard.press('r')
    await expect(bar).toBeHidden()

    // Where nothing reads its language it is said before, and when one asks all the same.
    await page.goto(page.url())
    const data = page.locator('#reader-data')
    await page.route(/\/read$/, async route => {
        const answer = await route.fetch()
        const body = (await answer.text()).replace('"language":"en"', '"language":"is"')
        await route.fulfill({ response: answer, body })
    })
    await page.reload()
    await expect(page.locator('#reader')).toHaveAttribute('data-ready', 'yes')
    expect(JSON.parse(await data.textContent()).language).toBe('is')
    await page.keyboard.press('c')
    await expect(page.locator('#aloud-hint')).toContainText('Nothing here reads Icelandic aloud')
    await page.getByRole('button', { name: 'Read aloud' }).click()
    await expect(page.locator('#notice')).toContainText('Nothing here reads Icelandic aloud')
    expect(complaints).toEqual([])
    await giveBack(page, 'Letters from Cinder Point')
})

test('a PDF is read by pages and as text, found in, and keeps its place', async ({ page }) => {
    const complaints = await open(page, 'Pilot’s Handbook')
    await page.keyboard.press('f')
    await page.getByLabel('Find in book').fill('blue clay')
    await page.keyboard.press('Enter')
    await expect(page.locator('#find-answer')).toHaveText('One place.')
    await page.locator('.found').click()
    await expect(page.locator('#page-of')).toHaveText('Page 4 of 4')
    await expect(async () => {
        const frame = page.frames().slice(1).at(-1)
        const width = () => document.defaultView?.frameElement.parentElement.querySelector('canvas').width
        expect(await frame.evaluate(width)).toBeGreaterThan(300)
        await expect(frame.locator('.textLayer')).toContainText('Good holding in blue clay', { timeout: 1000 })
    }).toPass()
    await page.keyboard.press('Escape')
    const kept = page.waitForResponse(
        r => r.url().endsWith('/place') && r.request().postDataJSON().locator.locations.position === 3,
    )
    await page.keyboard.press('ArrowLeft')
    expect((await kept).request().postDataJSON().locator).toMatchObject({
        href: 'document.pdf',
        type: 'application/pdf',
    })
    // Highlights on fixed pages are the browser's own.
    await select(page, 'Small boats')
    await page.getByRole('button', { name: 'Highlight: sea' }).click()
    const drawn = () =>
        Promise.all(
            page
                .frames()
                .slice(1)
                .map(f =>
                    f
                        .evaluate(() => [...(CSS.highlights.get('sea') ?? [])].map(range => range.toString()))
                        .catch(() => []),
                ),
        )
    await expect.poll(async () => (await drawn()).flat()).toEqual(['Small boats'])
    await page.keyboard.press('t')
    await expect(page.getByRole('region', { name: 'Text' })).toContainText(
        'The stream turns an hour before high water at the Stairs and half an hour after it at Larkspur.',
    )
    await page.keyboard.press('t')
    await page.reload()
    await expect(page.locator('#page-of')).toHaveText('Page 3 of 4')
    await expect.poll(async () => (await drawn()).flat()).toEqual(['Small boats'])
    await page.keyboard.press('m')
    await page
        .getByRole('button', { name: /^Remove/ })
        .first()
        .click()
    await expect.poll(async () => (await drawn()).flat()).toEqual([])
    expect(complaints).toEqual([])
    await giveBack(page, 'Pilot’s Handbook')
})
