// Wandering and putting aside: what only a browser can show of it.
import { expect, test } from '@playwright/test'
import { CARDS, chooseLibrary, signIn, watch } from './library.js'

test('a title goes into a basket in place, and the basket goes with whoever signs in', async ({ page }) => {
    const complaints = watch(page)
    await chooseLibrary(page, 'cinder-point')
    await page.goto('/catalogue')
    const row = page.getByRole('article').first()
    const name = await row.getByRole('heading').innerText()
    await row.getByRole('button', { name: 'Add to basket' }).click()
    await expect(row.getByRole('status')).toContainText('In the basket')
    await expect(page).toHaveURL(/\/catalogue\?library=cinder-point$/)
    await row.getByRole('link', { name: /In the basket/ }).click()
    await expect(page.getByText('kept in this browser alone')).toBeVisible()

    await signIn(page, CARDS.wren)
    await page.goto('/baskets')
    await expect(page.getByRole('article').getByRole('heading', { name })).toBeVisible()
    await expect(page.getByText('kept in this browser alone')).toHaveCount(0)
    expect(complaints).toEqual([])
})

test('rows of a basket are moved by keyboard and keep their notes', async ({ page }) => {
    await signIn(page, CARDS.imara)
    await page.goto('/baskets')
    const names = () => page.getByRole('article').getByRole('heading').allInnerTexts()
    const before = await names()
    await page.getByRole('button', { name: `Move “${before[0]}” down` }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('article').first().getByRole('heading')).toHaveText(before[1])
    expect(await names()).toEqual([before[1], before[0], ...before.slice(2)])
    await page.getByRole('textbox', { name: `Note on “${before[1]}”` }).fill('for the crossing')
    await page.getByRole('button', { name: 'Keep notes' }).click()
    await expect(page.getByRole('textbox', { name: `Note on “${before[1]}”` })).toHaveValue('for the crossing')
})

test('others like a title come when one gets to them', async ({ page }) => {
    await chooseLibrary(page, 'saltmere')
    await page.goto('/titles/1')
    const alike = page.getByRole('region', { name: 'Others like it' })
    await alike.scrollIntoViewIfNeeded()
    await expect(alike.getByRole('listitem')).toHaveCount(6)
})

test('the address of a title is copied where a device has no sharing of its own', async ({ browser }) => {
    const context = await browser.newContext({ permissions: ['clipboard-read', 'clipboard-write'] })
    const page = await context.newPage()
    await page.addInitScript(() => Object.defineProperty(Navigator.prototype, 'share', { value: undefined }))
    await chooseLibrary(page, 'saltmere')
    await page.goto('/titles/1')
    await page.getByRole('button', { name: 'Share' }).click()
    await expect(page.getByRole('button', { name: 'Its address is copied' })).toBeVisible()
    expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/\/titles\/1\?library=saltmere$/)
})
