// Hostile requests to a running library: node tests/Hostile/requests.mjs ADDRESS [HOW MANY] [SEED]
// None may be answered with a fault of ours, let anybody in who may not, or give away what is inside.
import { connect } from 'node:net'
import { dice } from '../../standins/dice.mjs'
import { artisan, Visitor } from './visitor.mjs'

const [base, many = '9000', seed = '1'] = process.argv.slice(2)
const roll = dice(Number(seed))
const one = list => list[roll(list.length)]

const TAG = '<hostile-tag onclick=x>'
const PAYLOADS = [
    '',
    '0',
    '-1',
    '99999999999999999999',
    '1e308',
    'NaN',
    'null',
    '[]',
    '{"a":{"b":[]}}',
    '0000-00-00',
    '2026-02-30',
    '99999-01-01',
    "'; drop table titles; --",
    "' or '1'='1",
    '1); select pg_sleep(9); --',
    '${7*7}{{7*7}}<%= 7*7 %>',
    TAG,
    `"${TAG}`,
    `javascript:alert(1)//${TAG}`,
    '../../../../etc/passwd',
    '..%2f..%2f..%2fetc%2fpasswd',
    'file:///etc/passwd',
    'http://169.254.169.254/latest/meta-data/',
    '//evil.example/x',
    'https://evil.example/',
    '\r\nSet-Cookie: hostile=1',
    '%0d%0aLocation: //evil.example',
    '=cmd|calc',
    '\ufeff\u202e\u0301'.repeat(20),
    '𝕊𝖔 👩‍👩‍👧‍👦'.repeat(40),
    'a'.repeat(9000),
    '%'.repeat(500),
    '('.repeat(3000),
    '"a" near/3 '.repeat(200),
    '*',
    '\\',
    'O:8:"stdClass":0:{}',
    'phar://x.phar/y',
    'php://filter/convert.base64-encode/resource=index.php',
]
/** Refused at the first gate, so that fewer of them are sent. */
const BYTES = ['%FF%FE', '%C0%AF', '%ED%A0%80', '%00', '%0A', '%2e%2e%2f', '%F8%A1%A1%A1%A1', '%25%32%65']
const NAMES = [
    'q',
    'page',
    'kind',
    'do',
    'sort',
    'reach',
    'format',
    'year',
    'level',
    'library',
    'locale',
    'from',
    'to',
    'until',
    'length',
    'licence',
    'copies',
    'model',
    'name',
    'note',
    'into',
    'basket',
    'title',
    'number',
    'why',
    'order',
    'locator',
    'label',
    'endpoint',
    'keys',
    'scheme',
    '_method',
    'publisher',
    'awards',
]
const FILES = [
    '/.env',
    '/.git/config',
    '/env',
    '/storage/logs/laravel.log',
    '/vendor/autoload.php',
    '/index.php/desk',
    '/composer.json',
    '/_publications/x',
    '/_ranges/x',
    '/_pages/en/down.html',
    '/build/../../composer.json',
    '/build/..%2f..%2f.env',
    '/icons/..%2f..%2fartisan',
    '/telescope',
    '/_ignition/execute-solution',
    '/outbox/../../etc/passwd',
    '/titles/1/cover/../../../../etc/passwd',
]
const RAW = [
    'GET / HTTP/1.1\r\nHost: evil.example\r\n\r\n',
    'GET http://evil.example/ HTTP/1.1\r\nHost: evil.example\r\n\r\n',
    'GET / HTTP/1.1\r\n\r\n',
    'GET / HTTP/9.9\r\nHost: x\r\n\r\n',
    'POST /sign-in HTTP/1.1\r\nHost: HOST\r\nContent-Length: 5\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\nGET /desk HTTP/1.1\r\n\r\n',
    'POST /sign-in HTTP/1.1\r\nHost: HOST\r\nContent-Length: -1\r\n\r\n',
    'POST /sign-in HTTP/1.1\r\nHost: HOST\r\nContent-Length: 99999999999\r\n\r\n',
    'POST /sign-in HTTP/1.1\r\nHost: HOST\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n',
    `GET /${'a'.repeat(20000)} HTTP/1.1\r\nHost: HOST\r\n\r\n`,
    `GET / HTTP/1.1\r\nHost: HOST\r\nX: ${'b'.repeat(60000)}\r\n\r\n`,
    `GET / HTTP/1.1\r\nHost: HOST\r\n${'X-A: 1\r\n'.repeat(2000)}\r\n`,
    'GET /\u0000 HTTP/1.1\r\nHost: HOST\r\n\r\n',
    'GET /../../etc/passwd HTTP/1.1\r\nHost: HOST\r\n\r\n',
    'TRACE / HTTP/1.1\r\nHost: HOST\r\n\r\n',
    'CONNECT 127.0.0.1:5432 HTTP/1.1\r\nHost: HOST\r\n\r\n',
    'PROPFIND / HTTP/1.1\r\nHost: HOST\r\n\r\n',
    'GET / HTTP/1.1\r\nHost: HOST\r\nHost: evil.example\r\n\r\n',
    'GET / HTTP/1.1\r\nHost : HOST\r\n\r\n',
    'GET / HTTP/1.0\r\n\r\n',
    '\u0016\u0003\u0001\u0002\u0000\u0001\u0000',
    'GET / HTTP/1.1\r\nHost: HOST\r\nRange: bytes=0-0,0-0,0-0,-1\r\n\r\n',
    'GET / HTTP/1.1\r\nHost: HOST\r\nCookie: fig_porch=a; fig_porch=b; library[]=x; locale=../../x\r\n\r\n',
]

const routes = JSON.parse(artisan('route:list', '--json')).filter(route => !/sign-(in|out)$/.test(route.uri))
const visitors = { nobody: new Visitor(base), patron: new Visitor(base), staff: new Visitor(base) }
await visitors.patron.signIn('patron')
await visitors.staff.signIn('staff')

const path = route =>
    '/' +
    route.uri.replace(/\{(\w+)\??\}/g, () =>
        roll(5) < 3 ? String(1 + roll(40)) : roll(4) === 0 ? one(BYTES) : encodeURIComponent(one(PAYLOADS)),
    )
const field = () => [
    roll(16) === 0 ? `${one(NAMES)}[]` : roll(30) === 0 ? `${one(NAMES)}[a][b]` : one(NAMES),
    one(PAYLOADS),
]
const query = () =>
    roll(20) === 0
        ? `?${one(NAMES)}=${one(BYTES)}&${one(BYTES)}=1`
        : '?' + new URLSearchParams(Array.from({ length: roll(4) }, field)).toString()
const body = visitor => {
    const fields = [...(roll(3) ? [['_token', visitor.token ?? '']] : []), ...Array.from({ length: roll(6) }, field)]
    switch (roll(6)) {
        case 0:
            return {
                type: 'application/json',
                bytes: one(['{', '[]', '"x"', JSON.stringify(Object.fromEntries(fields))]),
            }
        case 1:
            return {
                type: 'multipart/form-data; boundary=x',
                bytes: `--x\r\nContent-Disposition: form-data; name="q"; filename="../../x.php"\r\n\r\n<?php\r\n--x--`,
            }
        case 2:
            return {
                type: one(['text/xml', '', 'application/x-www-form-urlencoded; charset=utf-7']),
                bytes: one(PAYLOADS),
            }
        default:
            return {
                type: 'application/x-www-form-urlencoded',
                bytes: new URLSearchParams(fields).toString() + (roll(30) ? '' : '&q=%FF%C0'),
            }
    }
}
const header = () =>
    Object.fromEntries(
        Array.from({ length: roll(3) }, () => [
            one([
                'Accept',
                'Accept-Language',
                'Referer',
                'X-Forwarded-For',
                'X-Forwarded-Host',
                'X-Forwarded-Proto',
                'Range',
                'If-Modified-Since',
                'HX-Request',
                'HX-Target',
                'HX-Current-URL',
                'X-HTTP-Method-Override',
                'Origin',
                'Sec-Fetch-Dest',
            ]),
            one(PAYLOADS)
                .replace(/[^\x20-\x7e]/g, '?')
                .slice(0, 3000),
        ]),
    )

const INSIDE = /SQLSTATE|Stack trace|vendor\/laravel|pin_hash|APP_KEY|DB_PASSWORD|root:x:0|Whoops|Oops! An Error/
const wrong = []
const counts = {}
const judge = (what, status, headers, text, may) => {
    counts[status] = (counts[status] ?? 0) + 1
    const say = why => wrong.push(`${why}: ${status} ${what.slice(0, 300)}`)
    if (status >= 500 && status !== 505 && !(status === 503 && headers.get?.('Retry-After'))) say('a fault')
    if (!may && status < 300) say('let in')
    if (INSIDE.test(text)) say('shows its inside')
    if (text.includes(TAG)) say('gives a tag back')
    if (headers.get?.('Set-Cookie')?.includes('hostile')) say('takes a header')
    const to = headers.get?.('Location')
    if (to && !to.startsWith('/') && new URL(to, base).origin !== new URL(base).origin) say(`leads to ${to}`)
    if (to?.startsWith('//')) say(`leads to ${to}`)
}

/** As no client library would send it. */
const raw = text =>
    new Promise(settle => {
        const { hostname, port, host } = new URL(base)
        const socket = connect(Number(port), hostname, () => socket.end(text.replaceAll('HOST', host), 'latin1'))
        let answer = ''
        socket.setTimeout(8000, () => socket.destroy())
        socket.on('data', data => (answer += data.toString('latin1')))
        socket.on('error', () => {})
        socket.on('close', () => settle(answer))
    })

for (let n = 0; n < Number(many); n++) {
    const kind = roll(20)
    if (kind === 0) {
        const text = one(RAW)
        const answer = await raw(text)
        judge(
            `raw ${JSON.stringify(text)}`,
            Number(answer.match(/^HTTP\/\S+ (\d+)/)?.[1] ?? 0),
            new Map(),
            answer,
            true,
        )
        continue
    }
    const role = one(Object.keys(visitors))
    const visitor = visitors[role]
    const route = one(routes)
    const address = kind === 1 ? one(FILES) : path(route) + query()
    const method =
        kind === 1 || roll(8) === 0
            ? one(['GET', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'PATCH'])
            : one(route.method.split('|').filter(m => m !== 'HEAD'))
    const sent = method === 'GET' || method === 'OPTIONS' ? null : body(visitor)
    const needs =
        kind === 1
            ? 'nobody'
            : route.middleware.some(of => of.includes('Authenticate:staff'))
              ? 'staff'
              : route.middleware.some(of => of.includes('Authenticate:web'))
                ? 'patron'
                : null
    const what = `${role} ${method} ${address} ${sent?.bytes ?? ''}`
    try {
        const response = await visitor.ask(address, {
            method,
            ...(sent && { body: sent.bytes }),
            headers: { ...header(), ...(sent?.type && { 'Content-Type': sent.type }) },
            signal: AbortSignal.timeout(70_000),
        })
        const text = await response.text()
        const type = response.headers.get('Content-Type') ?? ''
        judge(
            what,
            response.status,
            response.headers,
            type.includes('html') ? text : text.replaceAll(TAG, ''),
            kind === 1 ? response.status !== 200 : needs === null || needs === role,
        )
    } catch (fault) {
        wrong.push(`no answer: ${what.slice(0, 300)} (${fault.cause?.code ?? fault.message})`)
    }
    if (n % 500 === 499) {
        // Some requests rightly end what somebody was doing.
        for (const as of ['patron', 'staff']) {
            if ((await visitors[as].ask(as === 'staff' ? '/desk/lists' : '/settings')).status !== 200) {
                visitors[as] = new Visitor(base)
                await visitors[as].signIn(as)
            }
        }
    }
}

console.log(
    `${many} hostile requests (seed ${seed}): ${Object.entries(counts)
        .map(([status, n]) => `${n} × ${status}`)
        .join(', ')}`,
)
console.log(`${wrong.length} wrong answers`)
wrong.slice(0, 40).forEach(line => console.log(`  ${line}`))
process.exit(wrong.length === 0 ? 0 : 1)
