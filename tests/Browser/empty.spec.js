// From an empty machine to a patron who reads: everything by the pages that a librarian has, and nothing else.
import { execFileSync } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { actionOf, bookText, readerIsOpen, watch } from './library.js'

const own = `${process.env.FIGPORCH_VAR ?? 'var/test'}-empty`
const port = 8990
const address = `http://127.0.0.1:${port}`
const run = (program, ...given) =>
    execFileSync(program, given, {
        encoding: 'utf8',
        // Two hundred PINs would take a minute to hash.
        env: { ...process.env, FIGPORCH_VAR: own, PORT: `${port}`, BCRYPT_ROUNDS: '5' },
        stdio: ['ignore', 'pipe', 'inherit'],
    })

let link

test.beforeAll(() => {
    link = run('bin/start', '--detach', '--fresh', '--yes', '--empty').match(/http\S+\/desk\/begin\/\S+/)[0]
})

test.afterAll(() => run('bin/stop', '--quiet'))

test('a library is opened, staffed, ruled, filled, and read in', async ({ browser }) => {
    const desk = await (await browser.newContext()).newPage()
    const complaints = watch(desk)

    await desk.goto(link)
    for (const [label, value] of [
        ['Your name', 'Orla Finch'],
        ['Your mail address', 'orla@dunmere.example'],
        ['A password', 'seven herons by the weir'],
        ['Its name', 'Dunmere School Library'],
        ['Short name', 'Dunmere'],
        ['Town or school', 'Dunmere'],
        ['Name in addresses', 'dunmere'],
    ]) {
        await desk.getByLabel(label, { exact: false }).first().fill(value)
    }
    await desk.getByLabel('Time zone').selectOption('Europe/Lisbon')
    await desk.getByLabel('A school').check()
    await desk.getByRole('button', { name: 'Open the library' }).click()
    await expect(desk.getByRole('heading', { level: 1 })).toContainText('Dunmere School Library is open')

    // Somebody to lend.
    await desk.goto(`${address}/desk/staff`)
    await desk.getByLabel('Mail address').fill('ida@dunmere.example')
    await desk.getByLabel('Catalogue').check()
    await desk.getByRole('button', { name: 'Invite somebody' }).click()
    const invitation = await desk.locator('code').first().textContent()
    const colleague = await (await browser.newContext()).newPage()
    await colleague.goto(invitation)
    await colleague.getByLabel('Your name').fill('Ida Marsh')
    await colleague.getByLabel('A password').fill('eight herons by the weir')
    await colleague.getByRole('button', { name: 'Begin to work here' }).click()
    await expect(colleague.getByText('This library has no titles yet')).toBeVisible()

    // Rules, seen before they hold.
    await desk.goto(`${address}/desk/rules`)
    await desk.getByRole('link', { name: 'student', exact: true }).click()
    await desk.getByLabel('Loans', { exact: true }).fill('1')
    await desk.getByRole('button', { name: 'See what it does' }).click()
    await desk.getByRole('button', { name: 'Change the rules' }).click()
    await expect(desk.getByText('The rules are changed.')).toBeVisible()

    // Two hundred pupils.
    const pupils = Array.from({ length: 200 }, (_, n) => `${700 + n};Pupil ${n};${7 + (n % 3)}b;${4000 + n}`)
    await desk.goto(`${address}/desk/patrons/files`)
    await desk
        .getByLabel('File', { exact: true })
        .setInputFiles({
            name: 'pupils.csv',
            mimeType: 'text/csv',
            buffer: Buffer.from(`Card number;Name;Class;PIN\n${pupils.join('\n')}\n`),
        })
    await desk.getByLabel('Group of those who are new').selectOption('student')
    await desk.getByRole('button', { name: 'See what it does' }).click()
    await desk.getByRole('button', { name: 'Take them in: 200 cards' }).click()
    await expect(desk.getByText('The file is being taken in.')).toBeVisible()

    // A book that others made; the pupils go on meanwhile.
    await colleague.goto(`${address}/desk/files`)
    await colleague.getByLabel('Files', { exact: true }).setInputFiles('/usr/share/doc/debian-policy/policy.epub')
    await colleague.getByLabel('Licence for each').selectOption('one_copy_one_user')
    await colleague.getByLabel('Price of each').fill('0')
    // It does not say for whom it is, and pupils of this school have none for adults.
    await colleague.getByLabel('For whom').selectOption('teen')
    await colleague.getByRole('button', { name: 'Send files' }).click()
    await expect(colleague.getByRole('link', { name: 'Debian Policy Manual' })).toBeVisible({ timeout: 120_000 })
    await expect(desk.getByText('Taken in on')).toBeVisible({ timeout: 180_000 })

    // One of them reads it, and another waits.
    const pupil = await (await browser.newContext()).newPage()
    const enter = async (page, number, pin) => {
        await page.goto(`${address}/sign-in?library=dunmere`)
        await page.getByLabel('Card number').fill(number)
        await page.getByLabel('PIN').fill(pin)
        await page.locator('main').getByRole('button', { name: 'Sign in' }).click()
        await expect(page).toHaveURL(/\/porch$/)
        await page.goto(`${address}/catalogue`)
        await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
        await expect(page).toHaveURL(/\/titles\/\d+$/)
    }
    await enter(pupil, '700', '4000')
    const action = actionOf(pupil, pupil.url())
    await action.getByRole('link', { name: /^Borrow/ }).click()
    await action.getByRole('button', { name: /^Borrow/ }).click()
    await action.getByRole('link', { name: /^Read/ }).click()
    await readerIsOpen(pupil)
    await expect.poll(() => bookText(pupil)).not.toBe('')
    const next = await (await browser.newContext()).newPage()
    await enter(next, '899', '4199')
    await expect(actionOf(next, next.url())).toContainText(/Place hold|Wait/)
    expect(complaints).toEqual([])
})
