// Every page, on a desk and on a phone, light and dark: axe finds nothing, and nothing sticks out at 390 px.
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import {
    borrowAndRead,
    CARDS,
    chooseLibrary,
    findTitle,
    giveBack,
    newCard,
    readerIsOpen,
    signIn,
    signInAtDesk,
} from './library.js'

const guestPages = [
    '/',
    '/libraries',
    '/sign-in',
    '/sign-in/forgotten',
    '/catalogue',
    '/catalogue?q=lantern&ready=1',
    '/catalogue?q=nothingatall&format=video',
    '/catalogue?q=title%3Alantern+-oil&year=2010-2026&audience=adult',
    '/catalogue/advanced?q=lamp',
    '/catalogue/choose/authors',
    '/catalogue/people',
    '/titles/1',
    '/titles/5',
    '/titles/5/alike',
    '/titles/5/cite',
    '/rooms',
    '/rooms/children',
    '/baskets',
    '/catalogue?reach=beyond&q=winter',
    '/libraries?find=nowhere',
    '/sign-in?library=cinder-point',
    '/help?find=hold',
    '/help/reading',
    '/letters/new?about=Loans',
    '/nowhere',
    '/desk/sign-in',
]
const patronPages = [
    '/porch',
    '/loans',
    '/holds',
    '/notices',
    '/settings',
    '/sendings',
    '/settings/kept',
    '/settings/erase',
    '/settings/cards/add',
    '/household',
    '/almanac',
    '/letters',
    '/classes',
    '/marks',
    '/offline',
    '/catalogue',
    '/titles/3',
    '/titles/7/borrow',
    '/baskets/1',
    '/baskets/1/bibliography',
    '/requests',
    '/searches',
    '/catalogue?reach=cards&q=sea',
    '/titles/9/ask',
    '/ask',
    '/outbox/',
]

const deskPages = [
    '/desk/licences',
    '/desk/usage',
    '/desk/licences?show=no_copy',
    '/desk/titles/2?licence=2',
    '/desk/titles/2/change?do=end&licence=2',
    '/desk/orders',
    '/desk/titles/2/order',
    '/desk/renewals',
    '/desk/weeding',
    '/desk/pay-per-loan',
    '/desk/figures',
    '/desk/library',
    '/desk/library/front',
    '/desk/turnaways',
    '/desk/turnaways/2',
    '/desk/requests',
    '/desk/lists',
    '/desk/lists/1?find=tide',
    '/desk/lists/4',
    '/desk/lists/new',
    '/desk/rooms',
    '/desk/rooms/children',
    '/desk/batches?find=lantern',
    '/desk/entries?kind=subject&find=a',
    '/desk/entries/subject/1',
    '/desk/patrons',
    '/desk/patrons/new',
    '/desk/patrons/files',
    '/desk/cards/1',
    '/desk/files',
    '/desk/today',
    '/desk/titles?find=the',
    '/desk/titles/2/record',
    '/desk/own/second-factor',
    '/desk/rules',
    '/desk/rules/one?group=teen',
    '/desk/files/records',
    '/desk/staff',
    '/desk/own',
    '/desk/trail',
    '/desk/messages',
    '/desk/messages/1',
    '/desk/letters',
    '/desk/letters/1',
    '/desk/library/sign-in',
    '/desk/help',
]

const RULES = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] }
// In the dark only the colours are other.
const DARK = { type: 'rule', values: ['color-contrast'] }

// Of what holds nothing is written down (resultTypes), which takes as long as looking.
// On a phone every page has to fit, and axe looks at every third: the markup is that of the desk.
const rulesFor = (name, n) => (name === 'dark' ? DARK : name === 'phone' && n % 3 ? null : RULES)

// In the dark every second page shows all of them; at the Desk, where there are many alike, every third.
const some = (pages, name) =>
    name === 'dark' ? pages.filter((_, n) => n % (pages === deskPages ? 3 : 2) === 0) : pages

const check = async (page, address, runOnly) => {
    await page.goto(address)
    if (runOnly) {
        const { violations } = await new AxeBuilder({ page })
            .options({ runOnly, resultTypes: ['violations'] })
            .analyze()
        expect(
            violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 160)).join(' | ')}`),
            address,
        ).toEqual([])
    }
    expect(
        await page.evaluate(() => document.documentElement.scrollWidth - innerWidth),
        `${address} is as wide as the screen`,
    ).toBeLessThanOrEqual(0)
}

for (const [name, options] of [
    ['desk', {}],
    ['phone', { viewport: { width: 390, height: 844 } }],
    ['dark', { colorScheme: 'dark' }],
]) {
    test(`pages for anyone, ${name}`, async ({ browser }) => {
        const page = await (await browser.newContext(options)).newPage()
        await chooseLibrary(page, 'saltmere')
        for (const [n, address] of some(guestPages, name).entries()) await check(page, address, rulesFor(name, n))
    })

    test(`pages of a patron, ${name}`, async ({ browser }) => {
        const page = await (await browser.newContext(options)).newPage()
        await signIn(page, CARDS.imara)
        for (const [n, address] of some(patronPages, name).entries()) await check(page, address, rulesFor(name, n))
        // A title whose file has not come says so.
        await page.goto('/catalogue?format=video')
        const ordered = await page
            .getByRole('article')
            .filter({ hasText: 'On order' })
            .first()
            .getAttribute('data-title')
        await check(page, `/titles/${ordered}`, name === 'dark' ? DARK : RULES)
    })

    test(`pages of staff, ${name}`, async ({ browser }) => {
        const page = await (await browser.newContext(options)).newPage()
        await signInAtDesk(page)
        for (const [n, address] of some(deskPages, name).entries()) await check(page, address, rulesFor(name, n))
    })

    test(`the reader, ${name}`, async ({ browser }) => {
        const page = await (await browser.newContext(options)).newPage()
        await page.goto('/titles/1/excerpt')
        await readerIsOpen(page)
        for (const key of [null, 'c', 'a']) {
            if (key) await page.keyboard.press(key)
            const { violations } = await new AxeBuilder({ page })
                .options({ resultTypes: ['violations'] })
                .exclude('foliate-view')
                .analyze()
            expect(
                violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 160)).join(' | ')}`),
                `with ${key}`,
            ).toEqual([])
        }
        expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
    })
}

test('the borrow panel in place', async ({ page }) => {
    await signIn(page, CARDS.imara)
    await page.goto('/catalogue?ready=1')
    await page
        .getByRole('link', { name: /^Borrow/ })
        .first()
        .click()
    await expect(page.locator('form.panel[data-closable]')).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map(v => v.id)).toEqual([])
})

test('layout does not jump while a page loads', async ({ page }) => {
    await chooseLibrary(page, 'saltmere')
    for (const address of ['/', '/catalogue', '/titles/1']) {
        await page.addInitScript(() => {
            window.shift = 0
            new PerformanceObserver(list => {
                for (const e of list.getEntries()) window.shift += e.value
            }).observe({ type: 'layout-shift', buffered: true })
        })
        await page.goto(address)
        // All that could push something aside has come: pictures, fonts, and what scripts bring.
        await page.waitForLoadState('networkidle')
        await page.evaluate(() => document.fonts.ready.then(() => new Promise(requestAnimationFrame)))
        expect(await page.evaluate(() => window.shift), address).toBeLessThan(0.02)
    }
})

test('a word longer than its column breaks on a phone', async ({ browser }) => {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
    await chooseLibrary(page, 'saltmere')
    for (const address of ['/', '/catalogue', '/titles/1']) {
        await page.goto(address)
        const changed = await page.evaluate(() => {
            const names = [...document.querySelectorAll('main h1, main h2 > a, main li a > span.font-semibold')]
            for (const name of names) name.textContent = 'Lanternkeepersdaughtersmemorandumbook'
            return names.length
        })
        expect(changed, address).toBeGreaterThan(0)
        expect(
            await page.evaluate(() => document.documentElement.scrollWidth - innerWidth),
            address,
        ).toBeLessThanOrEqual(0)
    }
})

test('after signing out neither Back nor the browser’s storage shows who was there', async ({ page }) => {
    await signIn(page, newCard('saltmere'))
    const name = (
        await page
            .locator('header')
            .getByText(/Visitor 7\d+/)
            .first()
            .innerText()
    ).trim()
    await page.goto('/loans')
    await page.evaluate(() => {
        localStorage.setItem('place:/loans/1/place', 'null')
        localStorage.setItem('last:/loans/1/place', '{}')
        localStorage.setItem('pace', '{}')
    })
    await page.goto('/settings')
    // Its button is in the menu.
    await page
        .locator('form[action="/sign-out"]')
        .first()
        .evaluate(form => form.requestSubmit())
    await expect(page).not.toHaveURL(/settings/)
    expect(await page.evaluate(() => Object.keys(localStorage))).toEqual([])
    for (let back = 0; back < 3; back++) {
        await page.goBack()
        await expect(page.locator('body')).not.toContainText(name)
    }
})

test('who signs out in one window leaves nothing in another, where a book is open', async ({
    page,
    context,
    browser,
}) => {
    const card = newCard('saltmere')
    await signIn(page, card)
    await findTitle(page, 'Letters from Cinder Point')
    await borrowAndRead(page)
    const other = await context.newPage()
    await other.goto('/settings')
    await other
        .locator('form[action="/sign-out"]')
        .first()
        .evaluate(form => form.requestSubmit())
    await expect(other).not.toHaveURL(/settings/)
    // Whoever turns a page there is nobody's reader; what is done as the page is left keeps nothing either.
    await page.keyboard.press('ArrowRight')
    await page.reload()
    await expect(page).toHaveURL(/\/sign-in/)
    const personal = await page.evaluate(() =>
        Object.keys(localStorage).filter(key => /^(place|last|marks|read):|^pace$/.test(key)),
    )
    expect(personal).toEqual([])
    const later = await (await browser.newContext()).newPage()
    await signIn(later, card)
    await giveBack(later, 'Letters from Cinder Point')
})

// Between a phone and a desk, too, and at 400 % of a desk: nothing sideways, nothing fixed over the end of a page.
test('pages fit at every width from 320 on', async ({ browser }) => {
    const page = await (await browser.newContext()).newPage()
    await signIn(page, CARDS.imara)
    const wide = []
    for (const address of [
        '/porch',
        '/catalogue?q=the',
        '/titles/3',
        '/rooms',
        '/loans',
        '/holds',
        '/settings',
        '/almanac',
    ]) {
        await page.goto(address)
        for (const width of [320, 360, 500, 640, 700, 768, 815, 900, 1024]) {
            await page.setViewportSize({ width, height: 700 })
            const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
            if (over > 0) wide.push(`${address} at ${width}: ${over}`)
            const covered = await page.evaluate(() => {
                scrollTo(0, document.documentElement.scrollHeight)
                return [...document.querySelectorAll('footer a, footer button')]
                    .filter(control => {
                        const { left, top, width, height } = control.getBoundingClientRect()
                        const there = document.elementFromPoint(left + width / 2, top + height / 2)
                        return width > 0 && !control.contains(there) && !there?.contains(control)
                    })
                    .map(control => control.textContent.trim())
            })
            if (covered.length) wide.push(`${address} at ${width}: ${covered} is covered`)
        }
    }
    expect(wide).toEqual([])
})
