import assert from 'node:assert/strict'
import test from 'node:test'
import { FileSender, Refused } from '../../resources/js/desk/uploads/uploads.js'

/** A library that keeps what it is sent, and breaks as it is told. */
const library = ({ part = 4, breaks = [] } = {}) => {
    const kept = { bytes: '', asked: [] }
    let n = 0
    kept.fetch = async (address, { method, body }) => {
        kept.asked.push(`${method} ${address}`)
        const breakage = breaks[n++]
        if (breakage === 'away') throw new TypeError('no network')
        if (typeof breakage === 'number') return Response.json({ message: 'so it is' }, { status: breakage })
        if (method === 'POST') return Response.json({ id: 'abc', part }, { status: 201 })
        if (method === 'GET') return Response.json({ received: kept.bytes.length })
        const at = Number(new URL(address, 'http://library.example').searchParams.get('at'))
        if (at !== kept.bytes.length) return Response.json({ received: kept.bytes.length }, { status: 409 })
        kept.bytes += await body.text()
        if (breakage === 'answer lost') throw new TypeError('connection closed')
        return Response.json({ received: kept.bytes.length })
    }
    return kept
}

const send = async (of, text) => {
    const told = []
    const file = Object.assign(new Blob([text]), { name: 'low-water.epub' })
    const sender = new FileSender('token', { fetch: of.fetch, wait: async () => {} })
    return { id: await sender.send(file, (sent, waits) => told.push([sent, waits])), told }
}

test('a file goes in parts, each where the last one ended', async () => {
    const at = library()
    const { id, told } = await send(at, 'twice a year')
    assert.equal(id, 'abc')
    assert.equal(at.bytes, 'twice a year')
    assert.deepEqual(told, [
        [4, false],
        [8, false],
        [12, false],
    ])
})

test('what has come is not sent again after a break, even where the answer alone was lost', async () => {
    const at = library({ breaks: [undefined, undefined, 'away', 'away', undefined, 'answer lost', undefined, 503] })
    const { told } = await send(at, 'the sea goes out')
    assert.equal(at.bytes, 'the sea goes out')
    assert.ok(told.some(([, waits]) => waits))
})

test('two windows that send the same do not write over each other', async () => {
    const at = library()
    await send(at, 'twice a year')
    at.bytes = 'twice'
    await send(at, 'twice a year')
    assert.equal(at.bytes, 'twice a year')
})

test('what is refused is said, and not tried for ever', async () => {
    for (const status of [422, 404, 413, 507]) {
        await assert.rejects(send(library({ breaks: [status] }), 'x'), { message: 'so it is' })
        await assert.rejects(send(library({ breaks: [undefined, status] }), 'x'), Refused)
    }
})
