import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Leaving } from '../../resources/js/account/devices/leave.js'

function page() {
    const left = { textContent: '' }
    const button = new EventTarget()
    return {
        left,
        button,
        hidden: false,
        dataset: { seconds: '900', warned: '120' },
        querySelector: what => (what === 'button' ? button : left),
    }
}

test('it is said two minutes before, and goes when one stays', async () => {
    let now = 0
    const element = page()
    const leaving = new Leaving(element, 'token', () => now)
    const at = seconds => {
        now = seconds * 1000
        return leaving.tick()
    }
    assert.equal(at(779), false)
    assert.equal(element.hidden, true)
    assert.equal(at(780), false)
    assert.equal(element.hidden, false)
    assert.equal(element.left.textContent, 120)
    const asked = []
    globalThis.fetch = async (...of) => (asked.push(of), { ok: true })
    await leaving.stay()
    assert.equal(asked[0][0], '/still-here')
    assert.equal(element.hidden, true)
    assert.equal(at(1679), false)
    // A tab that slept notices all the same.
    assert.equal(at(5000), true)
})

test('a library that does not answer has not noticed', async () => {
    let now = 0
    const element = page()
    const leaving = new Leaving(element, 'token', () => now)
    now = 800_000
    globalThis.fetch = async () => Promise.reject(new Error('no network'))
    await leaving.stay()
    leaving.tick()
    assert.equal(element.hidden, false)
    now = 901_000
    assert.equal(leaving.tick(), true)
})
