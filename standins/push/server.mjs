// A stand-in for the push services that browsers bring (RFC 8030): takes messages, looks at what it may look at, and
// shows what came.
//   node standins/push/server.mjs PORT
//   POST /to/NAME          a message for the browser NAME
//   GET /to/NAME           what came for it, sealed as it is
//   POST /to/NAME/close    the browser wants no more: 410 from then on
import { createPublicKey, verify } from 'node:crypto'
import { createServer } from 'node:http'

const port = Number(process.argv[2])
if (!port) {
    console.error('Usage: node standins/push/server.mjs PORT')
    process.exit(2)
}
const MOST = 4096
const KEPT = 200
const HOURS = 24 * 3600

const came = new Map()
const closed = new Set()

const bytes = text => Buffer.from(text, 'base64url')

/** What is wrong with the token that says who sends (RFC 8292), or null. */
const wrongToken = header => {
    const [, token, key] = /^vapid t=([^,\s]+),\s*k=([\w-]+)$/.exec(header ?? '') ?? []
    if (!token) return 'no token'
    const [head, claims, signature] = token.split('.')
    const { alg } = JSON.parse(bytes(head))
    const { aud, exp, sub } = JSON.parse(bytes(claims))
    const point = bytes(key)
    if (alg !== 'ES256' || point.length !== 65) return 'another kind of key'
    const publicKey = createPublicKey({
        format: 'jwk',
        key: {
            kty: 'EC',
            crv: 'P-256',
            x: point.subarray(1, 33).toString('base64url'),
            y: point.subarray(33).toString('base64url'),
        },
    })
    if (
        !verify(
            'sha256',
            Buffer.from(`${head}.${claims}`),
            { key: publicKey, dsaEncoding: 'ieee-p1363' },
            bytes(signature),
        )
    )
        return 'a signature of someone else'
    if (aud !== `http://127.0.0.1:${port}`) return `a token for ${aud}`
    const left = exp - Date.now() / 1000
    if (!(left > 0 && left <= HOURS)) return 'a token that is over, or lasts too long'
    return /^(mailto:|https:)/.test(sub ?? '') ? null : 'nobody to turn to'
}

const wrong = (headers, body) => {
    if (!/^\d+$/.test(headers.ttl ?? '')) return [400, 'no TTL']
    if (headers['content-encoding'] !== 'aes128gcm') return [415, 'not sealed as RFC 8291 says']
    if (headers.topic && !/^[\w-]{1,32}$/.test(headers.topic)) return [400, 'a topic that is none']
    if (body.length > MOST) return [413, 'too long']
    const token = wrongToken(headers.authorization)
    return token ? [403, token] : null
}

const take = (name, headers, body, answer) => {
    if (closed.has(name)) return answer(410)
    let refused
    try {
        refused = wrong(headers, body)
    } catch (error) {
        refused = [403, error.message]
    }
    if (refused) return answer(refused[0], { message: refused[1] })
    const of = came.get(name) ?? []
    // Of the same topic the last alone waits.
    const others = headers.topic ? of.filter(message => message.topic !== headers.topic) : of
    came.set(
        name,
        [
            ...others,
            {
                topic: headers.topic ?? null,
                urgency: headers.urgency ?? 'normal',
                ttl: Number(headers.ttl),
                body: body.toString('base64'),
            },
        ].slice(-KEPT),
    )
    answer(201, undefined, { Location: `http://127.0.0.1:${port}/message/${Date.now()}` })
}

createServer(async (request, response) => {
    const answer = (status, body, headers = {}) => {
        response.writeHead(status, { 'Content-Type': 'application/json', ...headers })
        response.end(body === undefined ? '' : JSON.stringify(body))
    }
    const chunks = []
    for await (const chunk of request) chunks.push(chunk)
    const [, name, close] = /^\/to\/([\w-]+)(\/close)?$/.exec(request.url) ?? []
    if (!name) answer(404)
    else if (request.method === 'GET') answer(200, came.get(name) ?? [])
    else if (request.method !== 'POST') answer(405)
    else if (close) {
        closed.add(name)
        answer(204)
    } else take(name, request.headers, Buffer.concat(chunks), answer)
}).listen(port, '127.0.0.1')
