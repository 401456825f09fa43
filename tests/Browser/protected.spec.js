// A protected loan, from wishing for the title to giving it back, by libraries that others wrote: r2-lcp-js asks
// where the loan stands, opens the file, and gives it back; r2-shared-js reads it.
import { createHash } from 'node:crypto'
import { createRequire } from 'node:module'
import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { tmpdir } from 'node:os'
import { expect, test } from '@playwright/test'
import { importBooks, newCard, signIn } from './library.js'

const require = createRequire(import.meta.url)
const lcp = 'r2-lcp-js/dist/es8-es2017/src'
const { launchStatusDocumentProcessing } = require(`${lcp}/lsd/status-document-processing`)
const { lsdRenew } = require(`${lcp}/lsd/renew`)
const { lsdReturn } = require(`${lcp}/lsd/return`)
const { PublicationParsePromise } = require('r2-shared-js/dist/es8-es2017/src/parser/publication-parser')
const { OPDS } = require('r2-opds-js/dist/es8-es2017/src/opds/opds1/opds')
const { XML } = require('r2-utils-js/dist/es8-es2017/src/_utils/xml-js-mapper')
const { DOMParser } = require('@xmldom/xmldom')
const globals = require('r2-shared-js/dist/es8-es2017/src/init-globals')
globals.initGlobalConverters_SHARED()
globals.initGlobalConverters_GENERIC()

const base = process.env.BASE_URL ?? 'http://127.0.0.1:8080'
const words = 'seven quiet herons'
const sha256 = text => createHash('sha256').update(text).digest('hex')

const device = {
    getDeviceID: async () => 'a-device-of-imaras',
    getDeviceNAME: async () => 'Imara’s reader',
    checkDeviceID: async () => undefined,
    recordDeviceID: async () => undefined,
}

/** What the status says now, as the library keeps it beside the licence. */
const status = async licence => {
    await new Promise(done => launchStatusDocumentProcessing(licence, device, done))
    return licence.LSD.Status
}

test('a protected book is borrowed in an application, opened there and given back', async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'lcp-'))
    chmodSync(folder, 0o755)
    const file = join(folder, 'tide.epub')
    const name = 'A Sealed Tide'
    execFileSync('php', ['tests/Browser/long-book.php', file, name, '963'])
    importBooks([file], 'one_copy_one_user:copies=1,protected')
    const card = newCard('saltmere')
    const headers = { Authorization: `Basic ${Buffer.from(card.slice(1).join(':')).toString('base64')}` }
    const ask = async (address, options) => (await fetch(address, { headers, ...options })).json()
    const link = (of, rel) => of.links.find(one => one.rel === rel)

    const found = await ask(`${base}/opds/2/saltmere/titles?q=${encodeURIComponent(name)}`)
    const borrow = link(found.publications[0], 'http://opds-spec.org/acquisition/borrow')
    expect(borrow.properties.indirectAcquisition[0]).toEqual({
        type: 'application/vnd.readium.lcp.license.v1.0+json',
        child: [{ type: 'application/epub+zip' }],
    })
    const lent = await ask(borrow.href, { method: 'POST' })
    const licenceAt = link(lent, 'http://opds-spec.org/acquisition')
    expect(licenceAt.type).toBe('application/vnd.readium.lcp.license.v1.0+json')
    // Without a passphrase the application can say what is to be done.
    const refused = await fetch(licenceAt.href, { headers })
    expect(refused.status).toBe(403)
    expect((await refused.json()).detail).toContain('/settings#protected')

    await signIn(page, card)
    await page.goto('/loans')
    await page.getByRole('link', { name: 'protected EPUB' }).click()
    await expect(page.getByText('Set a passphrase first')).toBeVisible()
    await page.getByLabel('Passphrase', { exact: true }).fill(words)
    await page.getByLabel('Hint', { exact: true }).fill('birds by the weir')
    await page.getByRole('button', { name: 'Set the passphrase' }).click()
    await expect(page.getByText('Its hint: “birds by the weir”')).toBeVisible()

    // From now on the feed tells the application what opens it, in both editions.
    const shelf = await ask(`${base}/opds/2/saltmere/loans`)
    const told = link(shelf.publications[0], 'http://opds-spec.org/acquisition').properties.lcp_hashed_passphrase
    expect(Buffer.from(told, 'base64').toString('hex')).toBe(sha256(words))
    const older = await (await fetch(`${base}/opds/1/saltmere/loans`, { headers })).text()
    const feed = XML.deserialize(new DOMParser().parseFromString(older, 'application/xml'), OPDS)
    expect(feed.Entries[0].Links.map(one => one.LcpHashedPassphrase)).toContain(told)

    // The licence alone leads to the file, into which an application puts it.
    const document = await (await fetch(licenceAt.href, { headers })).text()
    const fetched = await fetch(link(JSON.parse(document), 'publication').href)
    expect([fetched.status, fetched.headers.get('content-type')]).toEqual([200, 'application/epub+zip'])
    const epub = join(folder, 'fetched.epub')
    writeFileSync(epub, Buffer.from(await fetched.arrayBuffer()))
    execFileSync(
        'php',
        [
            '-r',
            '$z = new ZipArchive(); $z->open($argv[1]); $z->addFromString("META-INF/license.lcpl", stream_get_contents(STDIN));',
            epub,
        ],
        { input: document },
    )
    const publication = await PublicationParsePromise(epub)
    const licence = publication.LCP
    expect(publication.Metadata.Title).toContain(name)
    await expect(licence.tryUserKeys([sha256('not these words')])).rejects.toBeDefined()
    await licence.tryUserKeys([sha256(words)])

    // Asking where it stands, the library makes itself known.
    expect(await status(licence)).toBe('active')
    await page.goto('/loans')
    await expect(page.getByText('Opened on 1 device.')).toBeVisible()
    await expect(lsdRenew(undefined, licence.LSD, device)).rejects.toMatchObject({ httpStatusCode: 400 })
    await lsdReturn(licence.LSD, device)
    await page.goto('/loans')
    await expect(page.getByRole('link', { name })).toHaveCount(0)
    expect(await status(licence)).toBe('returned')
})
