import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Autosave } from '../../resources/js/account/preferences/autosave.js'

class Element extends EventTarget {
    constructor(more = {}) {
        super()
        Object.assign(this, { children: [], textContent: '', hidden: false, ...more })
    }
    setAttribute() {}
    append(...more) {
        this.children.push(...more)
    }
}

globalThis.FormData = class {
    constructor(form) {
        this.values = form.elements.map(field => (field.type === 'checkbox' ? field.checked : field.value))
    }
}

function page() {
    const button = new Element()
    const form = new Element({ action: '/settings/x', button, ownerDocument: { createElement: () => new Element() } })
    form.elements = [
        { name: 'token', type: 'hidden', value: 't' },
        { name: 'mail', type: 'checkbox', checked: true },
        { name: 'size', type: 'select-one', value: '100' },
    ]
    form.querySelector = () => button
    return form
}
const words = { saved: 'Saved.', undone: 'As before.', undo: 'Undo', failed: 'Not saved.' }
const settled = () => new Promise(done => setTimeout(done))

test('it is saved as it is changed, said, and taken back', async () => {
    const form = page()
    const sent = []
    globalThis.fetch = async (address, { body }) => (sent.push(body.values), { ok: true })
    new Autosave(form, words)
    assert.equal(form.button.hidden, true)
    form.elements[1].checked = false
    form.dispatchEvent(new Event('change'))
    await settled()
    const [said] = form.children
    assert.deepEqual(sent, [['t', false, '100']])
    assert.equal(said.textContent, 'Saved.')
    said.children[0].dispatchEvent(new Event('click'))
    await settled()
    assert.deepEqual(sent[1], ['t', true, '100'])
    assert.equal(said.textContent, 'As before.')
    assert.equal(form.elements[1].checked, true)
})

test('what the library did not take is not called saved', async () => {
    const form = page()
    new Autosave(form, words)
    for (const answer of [() => Promise.reject(new Error('no network')), async () => ({ ok: false })]) {
        globalThis.fetch = answer
        form.elements[2].value = '120'
        form.dispatchEvent(new Event('change'))
        await settled()
        assert.equal(form.children[0].textContent, 'Not saved.')
        assert.deepEqual(form.children[0].children, [])
    }
})
