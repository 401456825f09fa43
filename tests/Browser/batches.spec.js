// Many titles at once at the Desk: chosen, looked at, changed while one watches, and brought back.
import { AxeBuilder } from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { signInAtDesk, watch } from './library.js'

test('many titles get a subject at once, and lose it again', async ({ page }) => {
    const complaints = watch(page)
    await signInAtDesk(page)
    await page.goto('/desk/titles?find=lantern')
    await page.getByRole('link', { name: /^Change these \d+ at once$/ }).click()
    await expect(page.getByLabel('Words or a number')).toHaveValue('lantern')
    // Only what belongs to the choice is asked for.
    await expect(page.getByLabel('Price of each')).toBeVisible()
    await page.getByLabel('Add a subject').check()
    await expect(page.getByLabel('Price of each')).toBeHidden()
    await page.getByRole('textbox', { name: 'Subject', exact: true }).fill('Lamps and lights')
    await page.getByRole('button', { name: 'See what it does' }).click()
    await expect(page.getByText('Nothing is changed yet.')).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.html.slice(0, 160)).join(' | ')}`)).toEqual([])
    await page.setViewportSize({ width: 390, height: 844 })
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
    await page.setViewportSize({ width: 1280, height: 800 })

    const title = await page.locator('#batch li a').first().getAttribute('href')
    await page.getByRole('button', { name: /^Change \d+ titles$/ }).click()
    // The page follows by itself until it is done.
    await expect(page.getByText(/^Done on /)).toBeVisible()
    await page.getByRole('button', { name: 'Undo all of it' }).click()
    await expect(page.getByText(/^Undone on /)).toBeVisible()
    await page.goto(`${title}/record`)
    await expect(page.getByLabel('Subjects')).not.toHaveValue(/Lamps and lights/)
    expect(complaints).toEqual([])
})
