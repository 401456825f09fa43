// Ways in, settings that save themselves, help beside the work, what is read in the Almanac.
import { expect, test } from '@playwright/test'
import { borrow, newCard, readerIsOpen, signIn, watch } from './library.js'

test('a newcomer comes from the front door by their school to a page of a book', async ({ page }) => {
    await page.goto('/at/cinder-point')
    await page.getByRole('link', { name: /^Sign in to/ }).click()
    await page.getByRole('link', { name: 'Sign in with Cinder Point School' }).click()
    await page.getByRole('button', { name: /^Oleander Pike/ }).click()
    await expect(page).toHaveURL(/\/porch/)
    const complaints = watch(page)
    await expect(page.locator('#who')).toContainText('Oleander Pike')
    // The tour comes once.
    await expect(page.getByRole('heading', { name: 'The tour' })).toBeVisible()
    await page.getByRole('button', { name: 'Understood' }).click()
    await expect(page.getByRole('heading', { name: 'The tour' })).toHaveCount(0)

    await page.goto('/catalogue?format=ebook&ready=1&audience=child')
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await borrow(page)
    await page.getByRole('link', { name: /^Read/ }).first().click()
    await readerIsOpen(page)
    expect(complaints).toEqual([])
})

test('who does not sign in at the school is told what to do', async ({ page }) => {
    await page.goto('/sign-in?library=cinder-point')
    await page.getByRole('link', { name: 'Sign in with Cinder Point School' }).click()
    await page.getByRole('button', { name: 'I do not want to sign in' }).click()
    await expect(page.getByRole('status')).toContainText('did not sign you in')
    await expect(page.getByLabel('Card number')).toBeVisible()
})

test('a setting is saved as it is changed, says so, and is taken back', async ({ page }) => {
    await signIn(page, newCard('saltmere'))
    await page.goto('/settings')
    const notices = page.locator('form[action="/settings/notices"]')
    const mail = notices.getByRole('group', { name: 'My loans' }).getByLabel('by mail', { exact: true })
    await expect(notices.getByRole('button', { name: 'Save notices' })).toBeHidden()
    await mail.uncheck()
    await expect(notices.getByRole('status')).toContainText('Saved.')
    await page.reload()
    await expect(mail).not.toBeChecked()
    await mail.check()
    await notices.getByRole('button', { name: 'Undo' }).click()
    await expect(notices.getByRole('status')).toContainText('As it was before.')
    await page.reload()
    await expect(mail).not.toBeChecked()
    await page.context().setOffline(true)
    await mail.check()
    await expect(notices.getByRole('status')).toContainText('Not saved')
})

test('help that fits opens beside the work by a key, and leaves it as it was', async ({ page }) => {
    await signIn(page, newCard('saltmere'))
    await page.goto('/holds')
    await page.keyboard.press('?')
    const help = page.getByRole('heading', { name: 'Waiting for a title' })
    await expect(help).toBeFocused()
    await page.keyboard.press('Escape')
    await expect(help).toHaveCount(0)
    await expect(page.locator('#open-help')).toBeFocused()
    await expect(page).toHaveURL(/\/holds$/)
})

test('on a shared computer one is told before one is signed out, and can stay', async ({ page }) => {
    await page.clock.install()
    const [library, number, pin] = newCard('saltmere')
    await page.goto(`/sign-in?library=${library}`)
    await page.getByLabel('Card number').fill(number)
    await page.getByLabel('PIN').fill(pin)
    await page.getByLabel(/^Others use this computer too/).check()
    await page.locator('main').getByRole('button', { name: 'Sign in' }).click()
    await expect(page).toHaveURL(/\/porch$/)
    // Where nothing asks the library by itself.
    await page.goto('/help/keyboard')
    const leaving = page.locator('#leaving')
    await expect(leaving).toHaveAttribute('data-watched', '')
    await expect(leaving).toBeHidden()
    await page.clock.fastForward('13:30')
    await expect(leaving).toBeVisible()
    await leaving.getByRole('button', { name: 'I am still here' }).click()
    await expect(leaving).toBeHidden()
    await page.clock.fastForward('15:01')
    await expect(page).toHaveURL(/\/(sign-in|porch)/)
})

test('who keeps a history finds what they read in the Almanac, and who does not finds nothing', async ({ page }) => {
    await signIn(page, newCard('saltmere'))
    await page.goto('/almanac')
    await page.getByRole('button', { name: 'Keep my history' }).click()
    await expect(page.getByText('Nothing today yet')).toBeVisible()
    await page.goto('/catalogue?format=ebook&ready=1')
    const title = page.getByRole('article').first().getByRole('heading').getByRole('link')
    const name = (await title.textContent()).trim()
    await title.click()
    await borrow(page)
    await page.getByRole('link', { name: /^Read/ }).first().click()
    await readerIsOpen(page)
    const sent = page.waitForRequest(
        request => request.method() === 'PUT' && /"read":\[\{/.test(request.postData() ?? ''),
    )
    await page.keyboard.press('ArrowRight')
    await page.waitForFunction(() =>
        Object.keys(localStorage).some(key => key.startsWith('place:') || key.startsWith('last:')),
    )
    await page.keyboard.press('ArrowRight')
    await sent
    await page.goto('/almanac')
    await expect(page.getByRole('main').getByRole('link', { name, exact: true })).toBeVisible()
})
