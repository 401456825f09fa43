// The card on the phone: what is drawn is what a scanner reads.
import { execFileSync } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { chooseLibrary, newCard, signIn, signInAtDesk } from './library.js'

test('a card is shown large, dark on white, and zbar reads its number in each symbology', async ({ browser }, info) => {
    const desk = await (await browser.newContext()).newPage()
    await signInAtDesk(desk)
    const phone = { viewport: { width: 390, height: 844 }, colorScheme: 'dark', deviceScaleFactor: 2 }
    const page = await (await browser.newContext(phone)).newPage()
    await chooseLibrary(page, 'saltmere')
    const card = newCard('saltmere')
    await signIn(page, card)
    for (const [symbology, type] of [
        ['code39', 'CODE-39'],
        ['codabar', 'Codabar'],
        ['qr', 'QR-Code'],
        ['code128', 'CODE-128'],
    ]) {
        await desk.goto('/desk/library')
        await desk.getByLabel('Barcode of your cards').selectOption(symbology)
        await desk
            .locator('form', { has: desk.getByLabel('Barcode of your cards') })
            .getByRole('button')
            .click()
        await expect(desk.getByRole('status')).toContainText('Saved')
        await page.goto('/settings')
        await page.getByRole('link', { name: /^Show my card/ }).click()
        const drawn = page.locator('canvas[data-symbology]')
        await expect(drawn).toHaveAttribute('data-drawn', '')
        const picture = info.outputPath(`${symbology}.png`)
        await page.screenshot({ path: picture })
        const read = execFileSync('zbarimg', [
            '--quiet',
            '-Sdisable',
            `-S${symbology}.enable`.replace('qr.', 'qrcode.'),
            picture,
        ])
            .toString()
            .trim()
        expect(read.startsWith(`${type}:`), read).toBe(true)
        // Codabar has its letters on either side, and its check sign before the last.
        expect(read).toContain(card[1])
    }
})

test('a card that is kept on the device is shown and read without a network, and goes with signing out', async ({
    page,
}, info) => {
    await page.setViewportSize({ width: 390, height: 844 })
    await signIn(page, newCard('saltmere'))
    await page.goto('/settings')
    await page.getByRole('link', { name: /^Show my card/ }).click()
    await expect(page.locator('canvas[data-symbology]')).toHaveAttribute('data-drawn', '')
    const number = await page.locator('section[data-card]').getAttribute('data-number')
    await page.getByRole('button', { name: 'Keep it on this device' }).click()
    await expect(page.getByText('It can be shown here without a network')).toBeVisible()
    await page.context().setOffline(true)
    await page.goto('/offline')
    await expect(page.getByRole('heading', { name: 'My cards' })).toBeVisible()
    const picture = info.outputPath('offline-card.png')
    await page.locator('.card-here img').screenshot({ path: picture })
    expect(execFileSync('zbarimg', ['--quiet', picture]).toString()).toContain(number)
    await page.context().setOffline(false)
    await page.goto('/porch')
    await page.getByText('Menu').click()
    await page.locator('form[action="/sign-out"]:visible').getByRole('button').click()
    await expect(page).toHaveURL(/\/$/)
    expect(await page.evaluate(() => localStorage.getItem('cards-here'))).toBeNull()
})
