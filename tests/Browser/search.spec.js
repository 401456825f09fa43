// Finding: what only a browser can show of the search.
import { expect, test } from '@playwright/test'
import { chooseLibrary, watch } from './library.js'

test('suggestions come while one types, are walked with the arrow keys, and Enter goes there', async ({ page }) => {
    const complaints = watch(page)
    await chooseLibrary(page, 'saltmere')
    await page.goto('/')
    const words = page.getByRole('combobox', { name: 'Search' })
    await words.pressSequentially('salt led', { delay: 20 })
    const options = page.getByRole('listbox', { name: 'Suggestions' }).getByRole('option')
    await expect(options.first()).toContainText('The Salt Ledger')
    await expect(words).toHaveAttribute('aria-expanded', 'true')
    await words.press('ArrowDown')
    await expect(options.first()).toHaveAttribute('aria-selected', 'true')
    await expect(words).toHaveAttribute('aria-activedescendant', 'suggestion-0')
    await words.press('ArrowUp')
    await expect(options.first()).toHaveAttribute('aria-selected', 'false')
    await words.press('Escape')
    await expect(options).toHaveCount(0)

    // An answer that was on its way when the list was put away does not bring it back, nor one to words taken out.
    for (const leave of [() => words.press('Escape'), () => words.fill('')]) {
        let answer
        const asked = new Promise(resolve =>
            page.route('**/suggest?*', route =>
                answer ? route.continue() : resolve((answer = () => route.continue())),
            ),
        )
        await words.press('x')
        await asked
        await leave()
        const answered = page.waitForResponse('**/suggest?*')
        await answer()
        await (await answered).finished()
        await expect(options).toHaveCount(0)
        await page.unroute('**/suggest?*')
    }

    // One that comes while somebody chooses leaves what they choose from.
    await words.fill('')
    await words.pressSequentially('odal', { delay: 20 })
    await expect(options.filter({ hasText: 'Odalys Venn' }).first()).toContainText('author')
    let late
    const held = new Promise(resolve => page.route('**/suggest?*', route => resolve((late = () => route.continue()))))
    await words.fill('zzzzqq')
    await held
    await words.press('ArrowDown')
    const answered = page.waitForResponse('**/suggest?*')
    await late()
    await (await answered).finished()
    await expect(options.first()).toHaveAttribute('aria-selected', 'true')
    await page.unroute('**/suggest?*')
    await words.press('Backspace')
    await expect(page.locator('#suggestions [aria-selected=true]')).toHaveCount(0)

    await words.fill('')
    await words.pressSequentially('odalsy', { delay: 20 })
    await expect(options.filter({ hasText: 'Odalys Venn' }).first()).toContainText('author')
    await words.press('ArrowDown')
    const name = await page.locator('[aria-selected=true] a span').first().innerText()
    await words.press('Enter')
    await expect(page).toHaveURL(/\/(catalogue|titles)/)
    await expect(page.locator('h1')).toContainText(name.split(' ')[0], { ignoreCase: true })
    expect(complaints).toEqual([])
})

test('years are chosen by dragging over the bars, kept with a pin, and taken away', async ({ page }) => {
    const complaints = watch(page)
    await chooseLibrary(page, 'saltmere')
    await page.goto('/catalogue')
    const all = Number((await page.locator('h1').innerText()).replace(/\D/g, ''))
    const bars = page.locator('[data-histogram=year] a:visible')
    await bars.nth(2).scrollIntoViewIfNeeded()
    const [from, to] = [await bars.nth(2).boundingBox(), await bars.nth(5).boundingBox()]
    const [first, last] = [await bars.nth(2).getAttribute('data-from'), await bars.nth(5).getAttribute('data-to')]
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
    await page.mouse.down()
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 5 })
    await page.mouse.up()
    const chip = page.getByText(`Years ${first}–${last}`)
    await expect(chip).toBeVisible()
    const some = Number((await page.locator('h1').innerText()).replace(/\D/g, ''))
    expect(some).toBeGreaterThan(0)
    expect(some).toBeLessThan(all)

    await page.getByRole('button', { name: /^Pin “Years/ }).click()
    await expect(page.getByRole('button', { name: /^Take the pin out of/ })).toBeVisible()
    await page.getByRole('combobox', { name: 'Search' }).fill('the')
    await page.keyboard.press('Enter')
    await expect(chip).toBeVisible()
    await page.getByRole('button', { name: 'Remove all pins' }).click()
    await page.getByRole('link', { name: /^Take away the filter “Years/ }).click()
    await expect(chip).toHaveCount(0)
    await page.goto('/catalogue')
    expect(Number((await page.locator('h1').innerText()).replace(/\D/g, ''))).toBe(all)
    expect(complaints).toEqual([])
})

test('by keys the bars are one stop, and years are chosen from one to another', async ({ page }) => {
    const complaints = watch(page)
    await chooseLibrary(page, 'saltmere')
    await page.goto('/catalogue')
    const bars = page.locator('[data-histogram=year] a')
    await bars.first().focus()
    await page.keyboard.press('Tab')
    await expect(page.locator('[name=year_from]')).toBeFocused()
    await page.keyboard.press('Shift+Tab')
    await expect(bars.first()).toBeFocused()
    await page.keyboard.press('End')
    await expect(bars.last()).toBeFocused()
    await page.keyboard.press('ArrowRight')
    await expect(bars.last()).toBeFocused()
    await page.keyboard.press('Home')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Shift+ArrowRight')
    await page.keyboard.press('Shift+ArrowRight')
    await expect(bars.nth(3)).toBeFocused()
    const [first, last] = [await bars.nth(1).getAttribute('data-from'), await bars.nth(3).getAttribute('data-to')]
    await page.keyboard.press('Enter')
    await expect(page.getByText(`Years ${first}–${last}`)).toBeVisible()
    expect(complaints).toEqual([])
})

test('two windows at two libraries do not disturb each other', async ({ browser }) => {
    const context = await browser.newContext()
    const [here, there] = [await context.newPage(), await context.newPage()]
    const at = page => page.getByLabel('Library', { exact: true })
    await here.goto('/catalogue?library=saltmere')
    await there.goto('/catalogue?library=hollow-tor')
    await here.reload()
    await there.getByRole('navigation', { name: 'Main' }).getByRole('link', { name: 'Rooms' }).click()
    await expect(there).toHaveURL(/\/rooms\?library=hollow-tor$/)
    // Here goes on at its own library, whatever link, form or button is used.
    await here.getByLabel('Ready now').first().check()
    await expect(here).toHaveURL(/library=saltmere.*ready=1/)
    await expect(at(here)).toHaveValue('saltmere')
    await there.getByRole('link', { name: 'Catalogue' }).first().click()
    await here.getByRole('button', { name: /^pin/i }).first().click()
    await expect(here).toHaveURL(/library=saltmere/)
    await here.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await expect(here).toHaveURL(/\/titles\/\d+\?library=saltmere$/)
    await expect(at(here)).toHaveValue('saltmere')
    await expect(at(there)).toHaveValue('hollow-tor')
    // What was typed without it gets the one that was looked at last, and keeps what was pinned.
    await there.goto('/catalogue?q=the')
    await expect(there).toHaveURL(/library=saltmere/)
    await expect(there).toHaveURL(/ready=1/)
})

test('on a phone filters are a sheet that stays open from choice to choice', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await chooseLibrary(page, 'saltmere')
    await page.goto('/catalogue?q=harbour')
    const sheet = page.locator('.sheet')
    const narrow = page.getByRole('button', { name: 'Narrow it down' })
    await expect(sheet).toBeHidden()
    await narrow.click()
    await expect(sheet).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(sheet).toBeHidden()
    await expect(narrow).toBeFocused()

    await narrow.click()
    await sheet.getByRole('checkbox', { name: 'Ebooks' }).click()
    await expect(page).toHaveURL(/format=ebook/)
    await expect(sheet).toBeVisible()
    await expect(sheet.getByRole('checkbox', { name: 'Ebooks' })).toBeFocused()
    // A filter that is a link leads there with the sheet open, too.
    await sheet.locator('li a').first().click()
    await expect(page).not.toHaveURL(/catalogue\?q=harbour&format=ebook$/)
    await expect(sheet).toBeVisible()
    const show = sheet.getByRole('button', { name: /^Show \d+ titles?$/ })
    const shown = (await show.textContent()).match(/\d+/)[0]
    await show.click()
    await expect(sheet).toBeHidden()
    await expect(page.getByRole('heading', { level: 1 })).toContainText(`${shown} title`)
    await expect(page.getByRole('button', { name: /Narrow it down · 2 choices/ })).toBeVisible()
    // Another page is entered as it is.
    await page.goto('/catalogue?q=tide')
    await expect(sheet).toBeHidden()
})
