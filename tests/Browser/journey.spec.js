// The first evening, as two patrons live it.
import { expect, test } from '@playwright/test'
import {
    CARDS,
    actionOf,
    bookText,
    borrowAndRead,
    findTitle,
    progress,
    readerIsOpen,
    signIn,
    newCard,
    signInAtDesk,
    watch,
} from './library.js'

test.describe.configure({ mode: 'serial' })

test('find, borrow, read, return; the next in line borrows it from the Porch', async ({ browser }) => {
    const halvard = await (await browser.newContext()).newPage()
    const teo = await (await browser.newContext()).newPage()
    const complaints = [watch(halvard), watch(teo)]
    await signIn(halvard, newCard('saltmere'))
    await signIn(teo, newCard('saltmere'))

    // By keyboard alone: "/" to the search, words, Enter.
    await halvard.keyboard.press('/')
    await halvard.keyboard.type('table of tide beginner')
    await halvard.keyboard.press('Enter')
    await expect(halvard.getByRole('heading', { level: 1 })).toContainText('titles for')
    await findTitle(halvard, 'tide tables for beginners')
    await halvard
        .getByRole('link', { name: /^Borrow/ })
        .first()
        .press('Enter')
    const panel = halvard.locator('form.panel')
    await expect(panel).toContainText('21 days')
    await expect(panel.locator('input:checked')).toBeFocused()
    await halvard.keyboard.press('Escape')
    await expect(panel).toHaveCount(0)
    await expect(halvard.getByRole('link', { name: /^Borrow/ }).first()).toBeFocused()
    await borrowAndRead(halvard)
    await halvard.keyboard.press('End')
    await expect.poll(() => bookText(halvard)).toContain('you will never learn whether it was right')
    await halvard.goto('/porch')
    await expect(halvard.getByRole('heading', { name: 'Tide Tables for Beginners' })).toBeVisible()
    await halvard.goto('/loans')
    await expect(halvard.getByRole('article').filter({ hasText: 'Tide Tables' })).toContainText('Due')

    // While other copies are out, Teo waits.
    await findTitle(teo, 'tide tables for beginners')
    const action = teo.locator('[id^=action-]').first()
    if ((await action.getByRole('link', { name: /^Borrow/ }).count()) === 0) {
        await action.getByRole('button', { name: /^Place hold/ }).click()
        await expect(teo.locator('#said')).toContainText('You are in line')
        await teo.goto('/holds')
        await expect(teo.getByRole('article').filter({ hasText: 'Tide Tables' })).toContainText('at the latest')
    }

    await halvard.goto('/loans')
    await halvard
        .getByRole('article')
        .filter({ hasText: 'Tide Tables' })
        .getByRole('button', { name: /^Return/ })
        .click()
    await expect(halvard.locator('#said')).toContainText('is returned')
    expect(complaints).toEqual([[], []])
})

test('a copy that comes back is kept for the next, told here and by mail', async ({ browser }) => {
    const first = await (await browser.newContext()).newPage()
    const next = await (await browser.newContext()).newPage()
    await signIn(first, newCard('saltmere'))
    await signIn(next, newCard('saltmere'))
    // A title with one copy, free.
    await first.goto('/catalogue?ready=1&format=ebook&order=title')
    const rows = first.getByRole('article').filter({ hasNotText: 'Always ready' }).filter({ hasNotText: 'copies' })
    const name = await rows.first().getByRole('heading').innerText()
    await findTitle(first, name)
    const address = first.url()
    await borrowAndRead(first)

    await next.goto(address)
    await actionOf(next, address)
        .getByRole('button', { name: /^Place hold/ })
        .click()
    await expect(next.locator('#said')).toContainText('You are in line')

    await first.goto('/loans')
    await first
        .getByRole('article')
        .filter({ hasText: name })
        .getByRole('button', { name: /^Return/ })
        .click()
    await first.goto(address)
    await expect(actionOf(first, address).getByRole('button', { name: /^Place hold/ })).toBeVisible()

    await next.goto('/porch')
    const ready = next.locator('[data-ready-hold]').filter({ hasText: `${name} is ready for you` })
    await expect(ready).toContainText('kept until')
    await expect.poll(async () => (await next.request.get('/outbox/')).text()).toContain(name.replace("'", '&#39;'))
    await ready.getByRole('link', { name: /^Borrow/ }).click()
    await ready.getByRole('button', { name: /^Borrow/ }).click()
    await expect(next.locator('#said')).toContainText('is on loan to you')
    await next.goto('/loans')
    await expect(next.getByRole('article').filter({ hasText: name })).toBeVisible()
})

test('pages turn by click, key and swipe, and the place follows to another device', async ({ browser }) => {
    const desk = await (await browser.newContext()).newPage()
    const complaints = watch(desk)
    await signIn(desk, CARDS.imara)
    await desk.goto('/loans')
    await desk.getByRole('article').filter({ hasText: 'The Salt Ledger' }).getByRole('link', { name: /^Read/ }).click()
    await readerIsOpen(desk)
    expect(await bookText(desk), 'picked up where the demo left off').toContain('Gannet Stairs')

    await desk.keyboard.press('Home')
    await expect.poll(() => progress(desk)).toBeLessThan(0.1)
    await desk.locator('#page').click({ position: { x: 1230, y: 350 } })
    await expect.poll(() => bookText(desk)).toMatch(/Gullwing Press/i)
    await desk.keyboard.press('ArrowRight')
    await expect.poll(() => bookText(desk)).toContain('The ledger came to Ana')
    await desk.locator('#page').click({ position: { x: 40, y: 350 } })
    await expect.poll(() => bookText(desk)).toMatch(/Gullwing Press/i)

    await desk.keyboard.press('c')
    await desk.getByRole('link', { name: '4. The Keeper’s Account' }).click()
    await expect.poll(() => bookText(desk)).toContain('eleven boxes')
    await desk.keyboard.press('c')
    await desk.getByLabel('Go to page').fill('99')
    await desk.getByRole('button', { name: 'Go', exact: true }).click()
    await expect(desk.locator('#page-answer')).toContainText('There is no page “99”')
    await desk.getByLabel('Go to page').fill('6')
    const kept = desk.waitForResponse(r => r.url().endsWith('/place') && r.request().method() === 'PUT')
    await desk.getByRole('button', { name: 'Go', exact: true }).click()
    await expect(desk.locator('#page-of')).toContainText('Pages 4–6 of 7')
    expect((await kept).status()).toBe(204)
    await desk.close()

    const phone = await (
        await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
    ).newPage()
    await signIn(phone, CARDS.imara)
    await phone
        .getByRole('link', { name: /^Read.*The Salt Ledger/ })
        .first()
        .click()
    await readerIsOpen(phone)
    // The place is where the two pages began.
    await expect(phone.locator('#page-of')).toContainText(/Pages? 4/)
    await expect.poll(() => bookText(phone)).toContain('eleven boxes')
    const finger = await phone.context().newCDPSession(phone)
    const touch = (type, x) =>
        finger.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y: 400 }] })
    // From the first page to the last, each swipe turns one, and what is said below never moves the page.
    await phone.evaluate(() => document.querySelector('foliate-view').goToFraction(0))
    await expect.poll(() => progress(phone)).toBeLessThan(0.1)
    const height = await phone.locator('#page').evaluate(page => page.clientHeight)
    /** Where it is once it has come to rest. */
    const rest = async () => {
        let at
        await expect
            .poll(async () => [at, (at = await progress(phone))].every((value, _, [first]) => value === first), {
                intervals: [300],
            })
            .toBe(true)
        return at
    }
    for (let at = await rest(), swipes = 0; at < 1 && swipes < 40; at = await rest(), swipes++) {
        await touch('touchStart', 340)
        for (const x of [280, 200, 120, 60]) await touch('touchMove', x)
        await touch('touchEnd')
        await expect.poll(() => progress(phone), `swipe ${swipes} from ${at}`).toBeGreaterThan(at)
        expect(await phone.locator('#page').evaluate(page => page.clientHeight)).toBe(height)
    }
    expect(await progress(phone)).toBe(1)
    expect(complaints).toEqual([])
})

test('the text looks as one chooses, and stays so', async ({ page }) => {
    await signIn(page, CARDS.imara)
    await page.goto('/loans')
    await page.getByRole('article').filter({ hasText: 'Knots' }).getByRole('link', { name: /^Read/ }).click()
    await readerIsOpen(page)
    const styleOf = name =>
        page
            .frames()
            .at(-1)
            .evaluate(n => getComputedStyle(document.querySelector('p'))[n], name)
    await page.keyboard.press('c')
    await page.getByRole('link', { name: 'The Bowline' }).click()
    await expect.poll(() => bookText(page)).toContain('Make a small loop')
    const size = parseFloat(await styleOf('fontSize'))
    await page.keyboard.press('a')
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Larger' }).click()
    await page.getByText('Literata', { exact: true }).click()
    await page.getByText('Loose', { exact: true }).click()
    await page.getByText('Night', { exact: true }).click()
    await page.getByText('Wide', { exact: true }).click()
    await page.getByText('Scrolling', { exact: true }).click()
    await page.keyboard.press('Escape')
    const check = async () => {
        expect(parseFloat(await styleOf('fontSize'))).toBeCloseTo(size * 1.3, 0)
        expect(await styleOf('fontFamily')).toContain('Literata')
        expect(await page.locator('#reader').getAttribute('data-background')).toBe('night')
        expect(await page.locator('foliate-view').evaluate(view => view.renderer.getAttribute('flow'))).toBe('scrolled')
        expect(
            await page
                .frames()
                .at(-1)
                .evaluate(() => document.fonts.check('16px Literata')),
        ).toBe(true)
    }
    await check()
    await page.reload()
    await readerIsOpen(page)
    await check()
})

test('without scripts one can still search, borrow, hold and return', async ({ browser }) => {
    const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage()
    await signIn(page, newCard('hollow-tor'))
    await page.goto('/catalogue?ready=1&order=title')
    await page
        .getByRole('article')
        .getByRole('link', { name: /^Borrow/ })
        .first()
        .click()
    await page.getByRole('button', { name: /^Borrow/ }).click()
    await expect(page.locator('#said')).toContainText('is on loan to you')
    await page.goto('/loans')
    await page
        .getByRole('button', { name: /^Return/ })
        .first()
        .click()
    await expect(page.locator('#said')).toContainText('is returned')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('#said')).toContainText('on loan to you again')
})

test('staff see a line, look at what a copy more would do, and add it', async ({ page }) => {
    const complaints = watch(page)
    await signInAtDesk(page)
    await page.goto('/desk/licences')
    await page
        .getByRole('rowheader', { name: /^Low Water/ })
        .getByRole('link')
        .click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Low Water')
    const waiting = await page.getByRole('region', { name: 'The line' }).getByRole('row').count()
    await page
        .getByRole('link', { name: /^Change licence/ })
        .first()
        .click()
    await page.getByRole('spinbutton', { name: 'Copies', exact: true }).fill('2')
    await page.getByRole('button', { name: 'See what it does' }).first().click()
    await expect(page.getByText('Nothing is changed yet')).toBeVisible()
    await expect(page.getByText('1 hold gets a copy at once')).toBeVisible()
    await page.getByRole('button', { name: 'Set the copies' }).click()
    await expect(page.getByRole('status')).toContainText('The licence now has 2 copies.')
    await expect(page.getByRole('region', { name: 'The line' }).getByText(/^ready, kept until/)).toHaveCount(1)
    await expect(page.getByRole('region', { name: 'The line' }).getByRole('row')).toHaveCount(waiting)
    await expect(page.getByText(/Halvard Strand set licence #\d+ from 1 to 2 copies/)).toBeVisible()

    await page.goto('/desk/licences')
    const file = page.waitForEvent('download')
    await page.getByRole('link', { name: 'All of these as CSV' }).click()
    expect((await file).suggestedFilename()).toMatch(/^licences-waited-for-\d{4}-\d\d-\d\d\.csv$/)
    expect(complaints).toEqual([])
})
