import assert from 'node:assert/strict'
import test from 'node:test'
import { sendOnce } from '../../resources/js/desk/setup/send-once.js'

test('a second click sends nothing, and after coming back it can be sent again', () => {
    const [form, page] = [new EventTarget(), new EventTarget()]
    sendOnce(form, page)
    const isSent = () => form.dispatchEvent(new Event('submit', { cancelable: true }))
    assert.deepEqual([isSent(), isSent(), isSent()], [true, false, false])
    page.dispatchEvent(new Event('pageshow'))
    assert.equal(isSent(), false)
    page.dispatchEvent(Object.assign(new Event('pageshow'), { persisted: true }))
    assert.deepEqual([isSent(), isSent()], [true, false])
})
