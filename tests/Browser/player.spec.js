// Listening and watching: what only a browser that plays can show.
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { actionOf, borrow, giveBack, newCard, signIn, watch } from './library.js'

const borrowAndOpen = async (page, format, words, verb) => {
    await page.goto(`/catalogue?format=${format}&q=${encodeURIComponent(words)}`)
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await expect(page).toHaveURL(/\/titles\/\d+\?/)
    await borrow(page)
    await actionOf(page, page.url()).getByRole('link', { name: verb }).click()
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
}

const time = page => page.locator('#media').evaluate(media => media.currentTime)
const plays = async page => {
    const from = await time(page)
    await expect.poll(() => time(page)).toBeGreaterThan(from + 0.3)
}

test('an audiobook plays on from chapter to chapter, by keys and pointer, and is picked up on another device', async ({
    page,
    browser,
}) => {
    const complaints = watch(page)
    const card = newCard('saltmere')
    await signIn(page, card)
    await borrowAndOpen(page, 'audiobook', 'Low Water', /^Listen/)
    const address = page.url()
    await page.locator('[data-part="0"]').click()
    await plays(page)
    await expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible()

    await page.getByLabel('Speed').selectOption('2')
    expect(await page.locator('#media').evaluate(m => [m.playbackRate, m.preservesPitch])).toEqual([2, true])
    await page.getByRole('button', { name: 'On 15 seconds' }).click()
    await expect.poll(() => time(page)).toBeGreaterThan(15)

    // Just before the end of the first chapter: the second follows by itself.
    await page.locator('#media').evaluate(m => {
        m.currentTime = m.duration - 0.8
    })
    await expect(page.locator('[data-part="1"]')).toHaveAttribute('aria-current', 'true')
    await plays(page)
    expect(await page.locator('#seek').getAttribute('aria-valuetext')).toMatch(/ of 2:\d\d, 2\. Eight Back$/)

    // The sleep timer stops where the chapter ends.
    await page.getByLabel('Sleep timer').selectOption('end')
    await page.locator('#media').evaluate(m => {
        m.currentTime = m.duration - 0.8
    })
    await expect(page.locator('[data-part="2"]')).toHaveAttribute('aria-current', 'true')
    await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
    await expect(page.getByLabel('Sleep timer')).toHaveValue('off')

    await page.locator('h1').click()
    await page.keyboard.press('ArrowRight')
    const saved = page.waitForResponse(
        r => r.url().endsWith('/place') && r.request().postDataJSON().locator.locations.fragments[0] !== 't=0.0',
    )
    await page.keyboard.press(' ')
    await plays(page)
    await page.keyboard.press(' ')
    await saved
    const reached = await page.locator('#seek').inputValue()

    // A bookmark with a note is listed there, led to again, and kept for other devices and for reading about later.
    await page.getByText('Bookmarks').click()
    const note = `The goats <b>again</b> ${Date.now()}`
    await page.getByRole('button', { name: 'Bookmark this place' }).dblclick()
    await page.locator('.mark-list').getByRole('button', { name: 'Add note' }).click()
    await page.getByLabel('Note', { exact: true }).fill(note)
    const kept = page.waitForResponse(r => r.url().includes('/marks/') && r.request().postDataJSON().note === note)
    await page.getByRole('button', { name: 'Keep', exact: true }).click()
    await kept
    const mark = page.locator('.mark-list > li').filter({ hasText: note })
    await expect(mark).toHaveCount(1)
    await page.locator('[data-part="0"]').click()
    await mark.locator('.mark-go').click()
    await expect(page.locator('[data-part="2"]')).toHaveAttribute('aria-current', 'true')
    await page.locator('#media').evaluate(m => m.pause())

    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
    await signIn(phone, card)
    await expect(async () => {
        await phone.goto(address)
        await expect(phone.locator('#player')).toHaveAttribute('data-ready', 'yes')
        await expect.poll(() => phone.locator('#media').evaluate(m => m.readyState)).toBeGreaterThan(0)
        expect(Math.abs(Number(await phone.locator('#seek').inputValue()) - Number(reached))).toBeLessThan(2)
    }).toPass({ timeout: 30_000 })
    // By a link to a chapter it begins there, and loaded again where it was left.
    await phone.goto(`${address}?section=2`)
    await expect(phone.locator('[data-part="1"]')).toHaveAttribute('aria-current', 'true')
    await expect(phone).toHaveURL(address)
    await phone.reload()
    await expect(phone.locator('#player')).toHaveAttribute('data-ready', 'yes')
    await expect(phone.locator('[data-part="2"]')).toHaveAttribute('aria-current', 'true')
    await phone.getByText('Bookmarks').click()
    await expect(phone.locator('.mark-list > li').filter({ hasText: note }).locator('.mark-go')).toHaveText(
        /^2:\d\d, 3\. The Case$/,
    )
    await phone.goto('/loans')
    await expect(
        phone.getByRole('article').filter({ hasText: 'Low Water' }).filter({ hasText: 'audiobook' }),
    ).toContainText('min of 2 min')
    expect(complaints).toEqual([])
    await phone
        .getByRole('article')
        .filter({ hasText: 'Low Water' })
        .filter({ hasText: 'audiobook' })
        .getByRole('button', { name: /^Return/ })
        .click()
    await expect(phone.locator('#said')).toContainText('is returned')
})

test('a film plays with captions of the size chosen', async ({ page }) => {
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await borrowAndOpen(page, 'video', 'How the Lamp Is Lit', /^Watch/)
    await page.getByLabel('Captions', { exact: true }).selectOption('English')
    await page.getByText('More settings').click()
    await page.getByLabel('Size of captions').selectOption('Large')
    await page.keyboard.press('Escape')
    await expect(page.getByLabel('Size of captions')).toBeHidden()
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    await plays(page)
    await expect
        .poll(() => page.locator('#media').evaluate(m => m.textTracks[0].activeCues?.[0]?.text))
        .toContain('At Cinder Point the lamp is lit')
    expect(await page.locator('#media').evaluate(m => m.videoWidth)).toBe(640)
    const screen = () => page.evaluate(() => [Boolean(document.fullscreenElement), document.body.className])
    await page.keyboard.press('f')
    await expect.poll(screen).toEqual([true, 'player is-wide'])
    await expect(page.getByRole('button', { name: 'Leave full screen' })).toBeVisible()
    await expect.poll(screen, 'the controls go while nothing stirs').toEqual([true, 'player is-wide is-still'])
    await page.mouse.move(300, 300)
    await expect.poll(screen).toEqual([true, 'player is-wide'])
    await page.locator('#media').dblclick()
    await expect.poll(screen).toEqual([false, 'player'])
    await page.keyboard.press('c')
    await expect(page.getByLabel('Captions', { exact: true })).toHaveValue('')
    await page.keyboard.press('c')
    await page.keyboard.press('m')
    await expect(page.getByRole('button', { name: 'Unmute' })).toHaveAttribute('aria-pressed', 'true')
    expect(await page.locator('#media').evaluate(m => m.muted)).toBe(true)
    await page.keyboard.press('m')
    await page.keyboard.press('5')
    await expect.poll(() => time(page)).toBeGreaterThan(13)
    await page.getByRole('button', { name: 'Own window' }).click()
    await expect.poll(() => page.evaluate(() => document.pictureInPictureElement?.id)).toBe('media')
    await page.getByRole('button', { name: 'Own window' }).click()
    await expect.poll(() => page.evaluate(() => document.pictureInPictureElement)).toBe(null)

    // A phone on its side shows the picture to its edges.
    await page.setViewportSize({ width: 844, height: 390 })
    await expect.poll(() => page.locator('#media').evaluate(m => [m.clientWidth, m.clientHeight])).toEqual([844, 390])
    await page.setViewportSize({ width: 1280, height: 800 })

    await page.reload()
    await expect(page.getByLabel('Captions', { exact: true })).toHaveValue('en')
    await expect(page.locator('#player')).toHaveAttribute('data-captions-size', 'large')
    expect(complaints).toEqual([])
    await giveBack(page, 'How the Lamp Is Lit')
})

test('what is listened to goes on while one browses, in one window at a time, and its place outlives a crash', async ({
    page,
    context,
}) => {
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    // As if it had been recorded softly: the browser's mixer makes it louder.
    await context.route('**/loans/*/{listen,playing}', async route => {
        const response = await route.fetch()
        await route.fulfill({ response, body: (await response.text()).replace(/"gain":-?[\d.]+/g, '"gain":6') })
    })
    await borrowAndOpen(page, 'audiobook', 'Low Water', /^Listen/)
    const address = page.url()
    await page.getByText('More settings').click()
    await page.getByLabel('Skip on by (seconds)').fill('40')
    await page.getByLabel('Skip on by (seconds)').press('Tab')
    await page.getByText('More settings').click()
    await page.locator('h1').click()
    await page.keyboard.press('ArrowUp')
    await expect(page.getByLabel('Speed')).toHaveValue('1.05')
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    await plays(page)
    await page.getByRole('button', { name: 'On 40 seconds' }).click()
    await expect.poll(() => time(page)).toBeGreaterThan(40)
    await plays(page)

    await page.getByRole('link', { name: 'Back to the Porch' }).click()
    const small = page.getByRole('complementary', { name: 'Now playing' })
    await expect(small.getByRole('button', { name: 'Pause', exact: true })).toBeVisible()
    await plays(page)
    expect(await time(page)).toBeGreaterThan(40)
    expect(await page.locator('#media').evaluate(m => m.playbackRate)).toBe(1.05)
    const before = await time(page)
    await page.getByRole('link', { name: 'Catalogue', exact: true }).click()
    await expect(page).toHaveURL(/catalogue/)
    await plays(page)
    expect(await time(page), 'nothing was lost on the way').toBeLessThan(before + 15)
    expect((await new AxeBuilder({ page }).include('#player').analyze()).violations).toEqual([])

    // Another window begins: this one is silent, and stays so on its next page.
    const other = await context.newPage()
    await other.goto(address)
    await expect(other.locator('#player')).toHaveAttribute('data-ready', 'yes')
    await other.getByRole('button', { name: 'Play', exact: true }).click()
    await plays(other)
    await expect(small.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
    await page.reload()
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
    expect(await page.locator('#media').evaluate(m => m.paused)).toBe(true)
    await small.getByRole('button', { name: 'Stop listening' }).click()
    await expect(small).toHaveCount(0)
    await page.reload()
    await expect(page.locator('#said')).toBeAttached()
    await expect(small).toHaveCount(0)

    await plays(other)
    await plays(other)
    const reached = Number(await other.locator('#seek').inputValue())
    await other.goto('chrome://crash').catch(() => {})
    await page.goto(address)
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
    expect(Math.abs(Number(await page.locator('#seek').inputValue()) - reached)).toBeLessThanOrEqual(2)
    expect(complaints).toEqual([])
    await giveBack(page, 'Low Water')
})

test('anyone may listen to an excerpt, which ends and says so', async ({ page }) => {
    await page.goto('/catalogue?library=saltmere&format=music&q=Falling+Glass')
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await page.getByRole('link', { name: 'Try an excerpt' }).click()
    await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    await plays(page)
    await expect(page.getByText('This is the end of the excerpt.')).toBeVisible()
})

for (const [name, options] of [
    ['desk', {}],
    ['phone', { viewport: { width: 390, height: 844 } }],
    ['dark', { colorScheme: 'dark' }],
]) {
    test(`axe finds nothing in the player, ${name}`, async ({ browser }) => {
        const page = await (await browser.newContext(options)).newPage()
        for (const [format, words] of [
            ['audiobook', 'Low Water'],
            ['video', 'Lamp Is Lit'],
        ]) {
            await page.goto(`/catalogue?library=saltmere&format=${format}&q=${encodeURIComponent(words)}`)
            await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
            await page.getByRole('link', { name: 'Try an excerpt' }).click()
            await expect(page.locator('#player')).toHaveAttribute('data-ready', 'yes')
            const { violations } = await new AxeBuilder({ page }).analyze()
            expect(
                violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 160)).join(' | ')}`),
                format,
            ).toEqual([])
            expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
        }
    })
}

test('tracks follow one another from a second element that has them ready, and what is put next comes next', async ({
    page,
}) => {
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await borrowAndOpen(page, 'music', 'Falling Glass', /^Listen/)
    const toTheEnd = () =>
        page.locator('#media').evaluate(m => {
            m.currentTime = m.duration - 1.5
        })
    const waiting = () =>
        page
            .locator('audio:not(#media)')
            .evaluate(m => [m.getAttribute('src')?.match(/track-\d+/)?.[0], m.readyState >= 2])
    await page.locator('[data-part="0"]').click()
    await plays(page)
    await page.getByRole('button', { name: /^Play next.*Home by the Lamp/ }).click()
    await expect(page.getByRole('button', { name: /^Next, no. 1.*Home by the Lamp/ })).toHaveAttribute(
        'aria-pressed',
        'true',
    )
    await toTheEnd()
    await expect.poll(waiting, 'the next is there before this one ends').toEqual(['track-04', true])
    await expect(page.locator('[data-part="3"]')).toHaveAttribute('aria-current', 'true')
    await plays(page)
    expect(await page.locator('#media').getAttribute('src')).toContain('track-04')
    await toTheEnd()
    await expect(page.locator('[data-part="1"]'), 'the order goes on from where it was left').toHaveAttribute(
        'aria-current',
        'true',
    )
    await plays(page)
    await page.getByRole('button', { name: 'Pause', exact: true }).click()
    expect(complaints).toEqual([])
    await giveBack(page, 'Falling Glass')
})
