import assert from 'node:assert/strict'
import { beforeEach, test } from 'node:test'

// A database that answers as IndexedDB does, or aborts what is asked of it, as where the browser clears its storage.
let aborts
const later = act => setImmediate(act)
const asked = (request, result) => {
    later(() => {
        if (!aborts) return request.onsuccess?.(Object.assign(request, { result }))
        request.error = Object.assign(new Error('The transaction was aborted.'), { name: aborts })
        request.onerror?.()
    })
    return request
}
const store = {
    getAll: () => asked({}, ['a loan']),
    get: () => asked({}, 'a loan'),
    count: () => asked({}, 3),
    put: () => asked({}),
}
let opened
beforeEach(() => {
    aborts = null
    opened = 0
    globalThis.IDBKeyRange = { bound: (...ends) => ends }
    globalThis.indexedDB = {
        open: () => {
            opened++
            const request = { result: { transaction: () => ({ objectStore: () => store }) } }
            later(() => request.onsuccess())
            globalThis.database = request.result
            return request
        },
    }
})

test('where the browser clears what it keeps, nothing is here; other faults are told', async () => {
    const { all, chunksHere, get, put } = await import('../../resources/js/reading/offline/store.js')
    assert.deepEqual([await all(), await get(1), await chunksHere({ id: 1 }, 'a')], [['a loan'], 'a loan', 3])
    aborts = 'AbortError'
    assert.deepEqual([await all(), await get(1), await chunksHere({ id: 1 }, 'a')], [[], undefined, 0])
    await assert.rejects(put({ id: 1 }), { name: 'AbortError' }, 'what could not be kept is not said to be')
    aborts = 'UnknownError'
    await assert.rejects(get(1), { name: 'UnknownError' })
    // A database that was closed under the page is opened again.
    aborts = null
    assert.equal(opened, 1)
    globalThis.database.onclose()
    assert.equal(await get(1), 'a loan')
    assert.equal(opened, 2)
})
