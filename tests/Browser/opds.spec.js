// A reading application's tour of the catalogue, by libraries that others wrote to read such feeds: r2-opds-js for OPDS
// 2.0, opds-feed-parser for OPDS 1.2. It knows one address, a card and a PIN, and follows links.
import { createRequire } from 'node:module'
import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { tmpdir } from 'node:os'
import { expect, test } from '@playwright/test'
import { importBooks, newCard } from './library.js'

const require = createRequire(import.meta.url)
const opds = 'r2-opds-js/dist/es6-es2015/src/opds'
const { initGlobalConverters_GENERIC, initGlobalConverters_OPDS } = require(`${opds}/init-globals`)
const { OPDSFeed } = require(`${opds}/opds2/opds2`)
const { OPDSPublication } = require(`${opds}/opds2/opds2-publication`)
const { OPDSAuthenticationDoc } = require(`${opds}/opds2/opds2-authentication-doc`)
const { TaJsonDeserialize } = require('r2-lcp-js/dist/es6-es2015/src/serializable')
const { default: OPDSParser, AcquisitionFeed, NavigationFeed, OPDSEntry } = require('opds-feed-parser')

initGlobalConverters_OPDS()
initGlobalConverters_GENERIC()

const base = process.env.BASE_URL ?? 'http://127.0.0.1:8080'

/** As a reading application asks: nothing but the address and who it is for. */
const ask = async (address, authorization, options = {}) => {
    const answer = await fetch(address, {
        ...options,
        headers: { ...(authorization ? { Authorization: authorization } : {}), ...options.headers },
    })
    return {
        status: answer.status,
        type: answer.headers.get('content-type'),
        body: Buffer.from(await answer.arrayBuffer()),
    }
}

/** An EPUB, as anything that unpacks it sees it. */
const opensAsEpub = bytes => {
    const file = join(mkdtempSync(join(tmpdir(), 'opds-')), 'book.epub')
    writeFileSync(file, bytes)
    execFileSync('unzip', ['-tq', file])
    return execFileSync('unzip', ['-p', file, 'mimetype'], { encoding: 'utf8' }) === 'application/epub+zip'
}

const two = {
    start: '/opds/2/saltmere',
    feed: async (address, authorization) => {
        const { status, type, body } = await ask(address, authorization)
        expect([status, type], address).toEqual([200, 'application/opds+json'])
        const feed = TaJsonDeserialize(JSON.parse(body), OPDSFeed)
        return {
            total: feed.Metadata.NumberOfItems,
            links: feed.Links,
            places: feed.Navigation ?? [],
            publications: (feed.Publications ?? []).map(two.entry),
        }
    },
    entry: of => ({
        name: of.Metadata.Title,
        people: (of.Metadata.Author ?? []).map(one => one.Name),
        links: of.Links,
    }),
    read: body => two.entry(TaJsonDeserialize(JSON.parse(body), OPDSPublication)),
    rel: link => link.Rel?.[0],
    to: link => link.Href,
    type: link => link.TypeLink,
    state: link => link.Properties?.Availability?.State,
    copies: link => link.Properties?.Copies?.Total,
    search: (feed, words) =>
        feed.links
            .find(link => link.Rel?.[0] === 'search')
            .Href.replace(/\{\?[^}]*\}/, `?query=${encodeURIComponent(words)}`),
}

const one = {
    start: '/opds/1/saltmere',
    feed: async (address, authorization) => {
        const { status, type, body } = await ask(address, authorization)
        expect(status, address).toBe(200)
        expect(type).toContain('application/atom+xml;profile=opds-catalog')
        const feed = await new OPDSParser().parse(body.toString())
        const isPlaces = feed instanceof NavigationFeed
        expect(isPlaces || feed instanceof AcquisitionFeed).toBe(true)
        return {
            total: Number(feed.search?.totalResults),
            links: feed.links,
            places: isPlaces ? feed.entries.map(entry => ({ ...entry.links[0], title: entry.title })) : [],
            publications: isPlaces ? [] : feed.entries.map(one.entry),
        }
    },
    entry: of => ({ name: of.title, people: of.authors.map(author => author.name), links: of.links }),
    read: async body => {
        const entry = await new OPDSParser().parse(body.toString())
        expect(entry).toBeInstanceOf(OPDSEntry)
        return one.entry(entry)
    },
    rel: link => link.rel,
    to: link => link.href,
    type: link => link.type,
    state: link => link.availability?.status,
    copies: link => Number(link.copies?.total),
    search: async (feed, words) => {
        const description = await ask(feed.links.find(link => link.rel === 'search').href)
        expect(description.type).toContain('application/opensearchdescription+xml')
        return description.body
            .toString()
            .match(/template="([^"]*)"/)[1]
            .replaceAll('&amp;', '&')
            .replace('{searchTerms}', encodeURIComponent(words))
            .replace('{startPage?}', '1')
    },
}

for (const [name, client] of [
    ['OPDS 2.0', two],
    ['OPDS 1.2', one],
]) {
    test(`an application signs in, searches, borrows, downloads and returns by ${name}`, async () => {
        const folder = mkdtempSync(join(tmpdir(), 'opds-'))
        chmodSync(folder, 0o755)
        const file = join(folder, 'tide.epub')
        const title = `A Borrowed Tide, edition ${client === two ? 'two' : 'one'}`
        execFileSync('php', ['tests/Browser/long-book.php', file, title, client === two ? '962' : '961'])
        importBooks([file], 'one_copy_one_user:copies=1,download')
        const [, number, pin] = newCard('saltmere')
        const by = rel => link => client.rel(link) === rel
        const borrowable = 'http://opds-spec.org/acquisition/borrow'

        const front = await client.feed(base + client.start)
        expect(front.places.length).toBeGreaterThan(4)
        // Every place of the front is a feed that the library reads.
        for (const place of front.places) await client.feed(client.to(place))

        // Asked for what is somebody's, it is told how to sign in.
        const shelf = client.to(front.links.find(by('http://opds-spec.org/shelf')))
        const told = await ask(shelf)
        expect([told.status, told.type]).toEqual([401, 'application/opds-authentication+json'])
        const how = TaJsonDeserialize(JSON.parse(told.body), OPDSAuthenticationDoc)
        expect(how.Title).toContain('Saltmere')
        const oauth = how.Authentication.find(of => of.Type === 'http://opds-spec.org/auth/oauth/password')
        const form = pinTyped => new URLSearchParams({ grant_type: 'password', username: number, password: pinTyped })
        const wrong = await ask(oauth.Links[0].Href, null, { method: 'POST', body: form('0000') })
        expect([wrong.status, JSON.parse(wrong.body).error]).toEqual([400, 'invalid_grant'])
        const given = JSON.parse((await ask(oauth.Links[0].Href, null, { method: 'POST', body: form(pin) })).body)
        const bearer = `${given.token_type} ${given.access_token}`
        expect((await client.feed(shelf, bearer)).total).toBe(0)

        const found = await client.feed(await client.search(front, title), bearer)
        expect(found.total).toBe(1)
        const [book] = found.publications
        expect(book.name).toContain(title)
        expect(book.people.length).toBeGreaterThan(0)
        const borrow = book.links.find(by(borrowable))
        expect([client.state(borrow), client.copies(borrow)]).toEqual(['available', 1])

        const lent = await ask(client.to(borrow), bearer)
        expect(lent.status).toBe(201)
        const entry = await client.read(lent.body)
        const epub = entry.links.find(link => client.type(link) === 'application/epub+zip')
        const [loan] = (await client.feed(shelf, bearer)).publications
        expect(loan.links.map(client.to)).toContain(client.to(epub))

        // Nobody else has it meanwhile; with number and PIN each time it is the same.
        const basic = `Basic ${Buffer.from(newCard('saltmere').slice(1).join(':')).toString('base64')}`
        const waits = (await client.feed(await client.search(front, title), basic)).publications[0].links.find(
            by(borrowable),
        )
        expect(client.state(waits)).toBe('unavailable')
        const stranger = await ask(client.to(epub), basic)
        expect([stranger.status, stranger.type]).toEqual([404, 'application/problem+json'])
        expect((await ask(client.to(waits), basic)).status).toBe(201)
        const again = await ask(client.to(waits), basic, { headers: { 'Accept-Language': 'es' } })
        expect([again.status, again.type]).toEqual([409, 'application/problem+json'])

        const bytes = await ask(client.to(epub), bearer)
        expect([bytes.status, bytes.type]).toEqual([200, 'application/epub+zip'])
        expect(opensAsEpub(bytes.body)).toBe(true)

        const back = entry.links.find(by('tag:fig-porch.example,2026:return'))
        expect((await ask(client.to(back), bearer, { method: 'PUT' })).status).toBe(200)
        expect((await client.feed(shelf, bearer)).total).toBe(0)
        expect((await ask(client.to(epub), bearer)).status).toBe(410)
        // Its copy is kept for who waited.
        const ready = (await client.feed(await client.search(front, title), basic)).publications[0].links.find(
            by(borrowable),
        )
        expect(client.state(ready)).toBe('ready')
        expect((await ask(client.to(ready), basic)).status).toBe(201)
    })
}
