// What the browser tests share: cards of the demo, signing in, importing, and a reader that is watched for errors.
import { execFileSync } from 'node:child_process'
import { expect } from '@playwright/test'

export const CARDS = {
    imara: ['saltmere', '21000001', '4071'],
    teo: ['saltmere', '21000002', '5526'],
    wren: ['cinder-point', '22000001', '6183'],
    sunniva: ['hollow-tor', '24000001', '7349'],
    nerys: ['cinder-point', '22000002', '8427'],
    halvard: ['saltmere', '21000003', '3308'],
    ferry: ['larkspur-ferry', '23000001', '2914'],
    pier: ['larkspur-ferry', '23000002', '1165'],
}

/** Every card of the demo that can sign in. */
export const ALL_CARDS = Object.values(CARDS)

/** A card of a new patron, whom no other test borrows with. */
export const newCard = library => [
    library,
    ...execFileSync('bin/artisan', ['demo:card', library], { encoding: 'utf8' }).trim().split(' '),
]

export const chooseLibrary = (page, slug) =>
    page.context().addCookies([{ name: 'library', value: slug, url: process.env.BASE_URL ?? 'http://127.0.0.1:8080' }])

export const signIn = async (page, [library, number, pin]) => {
    await chooseLibrary(page, library)
    await page.goto('/sign-in')
    await page.getByLabel('Card number').fill(number)
    await page.getByLabel('PIN').fill(pin)
    await page.locator('main').getByRole('button', { name: 'Sign in' }).click()
    await expect(page).toHaveURL(/\/porch$/)
}

export const signInAtDesk = async page => {
    await page.goto('/desk/sign-in')
    await page.getByLabel('Mail address').fill('halvard@saltmere.example')
    await page.getByLabel('Password').fill('nine lanterns at dusk')
    await page.locator('main').getByRole('button', { name: 'Sign in' }).click()
    await expect(page).toHaveURL(/\/desk\/today$/)
}

/** Takes files into Saltmere's catalogue through the command; gives the id of each title by name. */
export const importBooks = (files, licence = 'simultaneous') => {
    execFileSync('bin/artisan', ['catalogue:import', ...files, '--library=saltmere', `--licence=${licence}`], {
        encoding: 'utf8',
    })
}

/**
 * What a page complains of: scripts that failed, policies that were broken. A question withdrawn for a newer one, as
 * while one types, is no complaint, though htmx writes it down (afterRequest, sendAbort); a real failure has a line of
 * another kind too.
 */
export const watch = page => {
    const complaints = []
    const withdrawn = /^htmx:(afterRequest|sendAbort),/
    page.on('pageerror', error => complaints.push(error.message))
    page.on(
        'console',
        message => message.type() === 'error' && !withdrawn.test(message.text()) && complaints.push(message.text()),
    )
    return complaints
}

export const findTitle = async (page, words) => {
    await page.goto(`/catalogue?format=ebook&q=${encodeURIComponent(words)}`)
    await page.getByRole('article').first().getByRole('heading').getByRole('link').click()
    await expect(page).toHaveURL(/\/titles\/\d+(\?library=[\w-]+)?$/)
}

/** What can be done with a title, on its page, with the card of Saltmere for somebody who has several. */
export const actionOf = (page, address) =>
    page
        .locator(['', '-saltmere'].map(card => `#action-${address.match(/titles\/(\d+)/)[1]}${card}`).join(', '))
        .first()

/** Borrows from the title's page that is open; a test that is tried once more has it on loan already. */
export const borrow = async page => {
    const action = actionOf(page, page.url())
    await expect(action.getByRole('link', { name: /^(Borrow|Read|Listen|Watch)/ }).first()).toBeVisible()
    if (!(await action.getByRole('link', { name: /^Borrow/ }).isVisible())) return
    await action.getByRole('link', { name: /^Borrow/ }).click()
    await action.getByRole('button', { name: /^Borrow/ }).click()
    await expect(action.getByRole('link', { name: /^(Read|Listen|Watch)/ })).toBeVisible()
}

/** Borrows from the title's page that is open, and opens the reader. */
export const borrowAndRead = async page => {
    await borrow(page)
    await actionOf(page, page.url()).getByRole('link', { name: /^Read/ }).click()
    await readerIsOpen(page)
}

/** Returns what a test has borrowed, so that no card comes to its limit. */
export const giveBack = async (page, name) => {
    await page.goto('/loans')
    await page
        .getByRole('article')
        .filter({ hasText: name })
        .getByRole('button', { name: /^Return/ })
        .click()
    await expect(page.locator('#said')).toContainText('is returned')
}

export const readerIsOpen = page => expect(page.locator('#reader')).toHaveAttribute('data-ready', 'yes')

/** The text that the reader's page shows, from whichever frame holds it. */
export const bookText = async page => {
    for (const frame of page.frames().slice(1)) {
        const text = await frame.evaluate(() => document.body?.innerText ?? '').catch(() => '')
        if (text.trim()) return text
    }
    return ''
}

export const progress = page => page.locator('#progress').evaluate(bar => bar.value)
