// Notices on a device: turned on, sent sealed, shown while no page asks for them, and turned off. The browser's own
// push service needs the network, so the address it would give is one of the stand-in's; keys, worker and notification
// are the browser's.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import ece from 'http_ece'
import { createECDH } from 'node:crypto'
import { CARDS, actionOf, newCard, signIn, watch } from './library.js'

const STAND_IN = readFileSync(join(process.env.FIGPORCH_VAR ?? 'var', 'env'), 'utf8').match(
    /^PUSH_STAND_IN="?([^"\n]+)/m,
)[1]

/** A browser whose push service is the stand-in. */
const withStandIn = async (context, name) => {
    const key = createECDH('prime256v1')
    const point = key.generateKeys('base64url')
    const secret = Buffer.from('sixteen bytes ok')
    await context.grantPermissions(['notifications'])
    await context.addInitScript(
        ({ endpoint, point, auth }) => {
            const given = {
                endpoint,
                toJSON: () => ({ endpoint, expirationTime: null, keys: { p256dh: point, auth } }),
                unsubscribe: async () => {
                    localStorage.removeItem('subscribed')
                    return true
                },
            }
            PushManager.prototype.subscribe = async ({ userVisibleOnly, applicationServerKey }) => {
                if (!userVisibleOnly || applicationServerKey.length !== 87)
                    throw new TypeError('not as the standard says')
                localStorage.setItem('subscribed', 'yes')
                return given
            }
            PushManager.prototype.getSubscription = async () => (localStorage.getItem('subscribed') ? given : null)
        },
        { endpoint: `${STAND_IN}/${name}`, point, auth: secret.toString('base64url') },
    )
    const open = ({ body }) =>
        JSON.parse(
            ece.decrypt(Buffer.from(body, 'base64'), {
                version: 'aes128gcm',
                privateKey: key,
                authSecret: secret.toString('base64url'),
            }),
        )
    const came = async () => (await (await context.request.get(`${STAND_IN}/${name}`)).json()).map(open)
    return { came }
}

/** What the browser does with a message that its push service has brought. */
const deliver = async (page, message) => {
    const session = await page.context().newCDPSession(page)
    let registration
    session.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
        registration ??= registrations.find(({ isDeleted }) => !isDeleted)
    })
    await session.send('ServiceWorker.enable')
    await expect.poll(() => registration?.registrationId).toBeTruthy()
    await session.send('ServiceWorker.deliverPushMessage', {
        origin: new URL(page.url()).origin,
        registrationId: registration.registrationId,
        data: JSON.stringify(message),
    })
}

const thisDevice = page => page.locator('[data-this-device]').filter({ visible: true })

const shown = page =>
    page.evaluate(async () =>
        (await (await navigator.serviceWorker.ready).getNotifications()).map(({ title, body, tag, data }) => ({
            title,
            body,
            tag,
            data,
        })),
    )

test('a hold that is ready is told on the device of who waits', async ({ browser }) => {
    const context = await browser.newContext()
    const { came } = await withStandIn(context, `waiting-${Date.now()}`)
    const page = await context.newPage()
    const complaints = watch(page)
    await signIn(page, newCard('saltmere'))
    await page.goto('/settings')
    await page.getByRole('button', { name: 'Show notices on this device' }).click()
    await expect(thisDevice(page)).toHaveCount(1)
    const holds = page.getByRole('group', { name: 'My holds' })
    await expect(holds.getByLabel('on my devices', { exact: true })).toBeVisible()

    // Another has the only copy; it comes back.
    const other = await (await browser.newContext()).newPage()
    await signIn(other, newCard('saltmere'))
    await other.goto('/catalogue?ready=1&order=title&format=ebook')
    const row = other
        .getByRole('article')
        .filter({ hasNotText: 'Always ready' })
        .filter({ hasNotText: 'copies' })
        .first()
    const name = await row.getByRole('heading').innerText()
    const address = await row.getByRole('heading').getByRole('link').getAttribute('href')
    await row.getByRole('link', { name: /^Borrow/ }).click()
    await row.getByRole('button', { name: /^Borrow/ }).click()
    await expect(other.locator('#said')).toContainText('is on loan to you')
    await page.goto(address)
    await actionOf(page, address)
        .getByRole('button', { name: /^Place hold/ })
        .click()
    await expect(page.locator('#said')).toContainText('You are in line')
    await other.goto('/loans')
    await other
        .getByRole('article')
        .filter({ hasText: name })
        .getByRole('button', { name: /^Return/ })
        .click()

    await expect.poll(came).toHaveLength(1)
    const [message] = await came()
    expect(message.title).toContain(name)
    // What the tools deliver to a worker that is just starting can be lost.
    await expect(async () => {
        await deliver(page, message)
        await expect
            .poll(() => shown(page), { timeout: 5000 })
            .toEqual([
                expect.objectContaining({ title: message.title, tag: message.tag, data: { address: message.address } }),
            ])
    }).toPass({ timeout: 60_000 })
    // The same message once more is the same notification.
    await deliver(page, message)
    expect(await shown(page)).toHaveLength(1)

    await page.goto('/holds')
    await page
        .locator('[data-ready-hold]')
        .filter({ hasText: name })
        .getByRole('button', { name: 'Cancel hold' })
        .click()
    await expect(page.locator('#said')).toContainText('is cancelled')

    // Turned off, the library forgets the device, and the worker is gone.
    await page.goto('/settings')
    await page.getByRole('button', { name: 'No longer show them on this device' }).click()
    await expect(page.getByRole('button', { name: 'Show notices on this device' })).toBeVisible()
    await expect(thisDevice(page)).toHaveCount(0)
    expect(await page.evaluate(async () => (await navigator.serviceWorker.getRegistrations()).length)).toBe(0)
    expect(complaints).toEqual([])
})

test('a browser that does not allow it says what to do, and sign-out leaves nothing behind', async ({ browser }) => {
    const refusing = await (await browser.newContext()).newPage()
    await refusing.addInitScript(() => {
        Notification.requestPermission = async () => 'denied'
    })
    await signIn(refusing, CARDS.ferry)
    await refusing.goto('/settings')
    await refusing.getByRole('button', { name: 'Show notices on this device' }).click()
    await expect(refusing.getByText('Allow notifications for this site')).toBeVisible()
    const before = await refusing.locator('[data-endpoint]').count()

    const context = await browser.newContext()
    await withStandIn(context, `leaving-${Date.now()}`)
    const page = await context.newPage()
    await signIn(page, CARDS.ferry)
    await page.goto('/settings')
    await page.getByRole('button', { name: 'Show notices on this device' }).click()
    await expect(thisDevice(page)).toHaveCount(1)
    await page.getByRole('button', { name: 'Sign out' }).click()
    await expect(page).toHaveURL(/\/($|sign-in)/)
    expect(
        await page.evaluate(async () => [
            localStorage.getItem('push'),
            (await navigator.serviceWorker.getRegistrations()).length,
        ]),
    ).toEqual([null, 0])
    await refusing.reload()
    await expect(refusing.locator('[data-endpoint]')).toHaveCount(before)
})
