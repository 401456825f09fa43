// The feed of due dates, read by ical.js, a general-purpose reader of iCalendar (RFC 5545) that is not ours.
import ICAL from 'ical.js'
import { expect, test } from '@playwright/test'
import { CARDS, signIn } from './library.js'

test('due dates as a calendar that other programs read, at an address that can be renewed', async ({
    page,
    browser,
}) => {
    await signIn(page, CARDS.nerys)
    for (const n of [0, 1]) {
        await page.goto('/catalogue?ready=1&order=title')
        const row = page.getByRole('article').nth(n)
        await row.getByRole('link', { name: /^Borrow/ }).click()
        await row.getByRole('button', { name: /^Borrow/ }).click()
        await expect(page.locator('#said')).toContainText('is on loan to you')
    }
    await page.goto('/loans')
    const due = await page
        .getByRole('article')
        .evaluateAll(rows =>
            rows.map(row => [row.querySelector('h2').innerText, Date.parse(row.querySelector('time').dateTime)]),
        )
    expect(due.length).toBeGreaterThanOrEqual(2)

    await page.goto('/settings')
    await page.getByRole('button', { name: /calendar|address/i }).click()
    const address = await page.locator('a[href*="/calendar/"]').getAttribute('href')
    const feed = async of => (await browser.newContext()).request.get(of)
    const answer = await feed(address)
    expect(answer.headers()['content-type']).toContain('text/calendar')
    const calendar = new ICAL.Component(ICAL.parse(await answer.text()))
    const events = calendar.getAllSubcomponents('vevent').map(event => new ICAL.Event(event))
    expect(events).toHaveLength(due.length)
    expect(new Set(events.map(event => event.uid)).size).toBe(due.length)
    for (const [name, at] of due) {
        const event = events.find(e => e.summary.includes(name))
        expect(event.startDate.toJSDate().getTime(), name).toBe(Math.floor(at / 1000) * 1000)
        expect(event.endDate.compare(event.startDate)).toBe(1)
    }

    await page.getByRole('button', { name: /calendar|address/i }).click()
    const renewed = await page.locator('a[href*="/calendar/"]').getAttribute('href')
    expect(renewed).not.toBe(address)
    expect((await feed(address)).status()).toBe(404)
    expect((await feed(renewed)).status()).toBe(200)
})
