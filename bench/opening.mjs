// Opens a book as a patron does, again and again, each time in a browser that has seen nothing of it:
//   node bench/opening.mjs BASE CARD PIN LIBRARY "NAME OF THE TITLE" TIMES
// Prints how long it was from the click to readable text, and what was sent until then, as JSON.
import { chromium } from '@playwright/test'

const [base, number, pin, library, name, times] = process.argv.slice(2)
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
})
const signIn = await (await browser.newContext()).newPage()
await signIn.goto(`${base}/?library=${library}`)
await signIn.goto(`${base}/sign-in`)
await signIn.getByLabel('Card number').fill(number)
await signIn.getByLabel('PIN').fill(pin)
await signIn.locator('main').getByRole('button', { name: 'Sign in' }).click()
await signIn.waitForURL(/porch/)
const storageState = await signIn.context().storageState()

const measured = []
for (let n = 0; n < Number(times) + 1; n++) {
    const context = await browser.newContext({ storageState, viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await page.goto(`${base}/loans`)
    const link = page.getByRole('article').filter({ hasText: name }).getByRole('link', { name: /^Read/ })
    await link.waitFor()
    const session = await context.newCDPSession(page)
    await session.send('Network.enable')
    let bytes = 0
    let requests = 0
    session.on('Network.loadingFinished', ({ encodedDataLength }) => {
        bytes += encodedDataLength
        requests++
    })
    const begun = performance.now()
    await link.click()
    for (;;) {
        const texts = await Promise.all(
            page
                .frames()
                .slice(1)
                .map(frame => frame.evaluate(() => document.body?.innerText.trim().length ?? 0).catch(() => 0)),
        )
        if (texts.some(length => length > 20)) break
        await new Promise(wait => setTimeout(wait, 5))
    }
    // The first is to warm the server up.
    if (n > 0) measured.push({ ms: performance.now() - begun, bytes, requests })
    await context.close()
}
console.log(JSON.stringify(measured))
await browser.close()
