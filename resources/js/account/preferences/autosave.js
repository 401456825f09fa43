/**
 * Saves a form as it is changed, says so beside it, and takes the last change back. Without it there is a button. The
 * form goes as it would with the button; what counts is that the library took it.
 */
export class Autosave {
    #form
    #said
    #undo
    #words
    #kept

    constructor(form, words) {
        this.#form = form
        this.#words = words
        form.querySelector('button:not([type=button])').hidden = true
        this.#said = form.ownerDocument.createElement('p')
        this.#said.setAttribute('role', 'status')
        this.#said.className = 'meta mt-2 min-h-6'
        this.#undo = form.ownerDocument.createElement('button')
        this.#undo.type = 'button'
        this.#undo.className = 'link cursor-pointer ml-2'
        this.#undo.textContent = words.undo
        this.#undo.addEventListener('click', () => this.#takeBack())
        form.append(this.#said)
        this.#kept = this.#values()
        form.addEventListener('change', () => this.save())
        form.addEventListener('submit', event => {
            event.preventDefault()
            this.save()
        })
    }

    async save() {
        const before = this.#kept
        const ok = await this.#send()
        this.#say(ok ? this.#words.saved : this.#words.failed)
        if (!ok) return
        this.#kept = this.#values()
        if (JSON.stringify(before) === JSON.stringify(this.#kept)) return
        this.before = before
        this.#said.append(this.#undo)
    }

    async #takeBack() {
        for (const [index, value] of this.before.entries()) {
            const field = this.#fields()[index]
            if (field.type === 'checkbox' || field.type === 'radio') field.checked = value
            else field.value = value
        }
        this.#form.dispatchEvent(new Event('taken-back'))
        const ok = await this.#send()
        if (ok) this.#kept = this.#values()
        this.#say(ok ? this.#words.undone : this.#words.failed)
    }

    #send() {
        return fetch(this.#form.action, {
            method: 'POST',
            body: new FormData(this.#form),
            headers: { Accept: 'application/json' },
        }).then(
            answer => answer.ok,
            () => false,
        )
    }

    #say(words) {
        this.#said.textContent = words
    }

    #fields() {
        return [...this.#form.elements].filter(field => field.name && field.type !== 'hidden')
    }

    #values() {
        return this.#fields().map(field =>
            field.type === 'checkbox' || field.type === 'radio' ? field.checked : field.value,
        )
    }
}

/** A switch of a group moves its kinds, and they move it; the library then gets the kinds alone. */
export function watchGroups(form) {
    for (const old of form.querySelectorAll('input[name^="was["]')) old.remove()
    for (const group of form.querySelectorAll('fieldset')) {
        for (const all of group.querySelectorAll('[data-group]')) {
            const kinds = [...group.querySelectorAll(`[data-kind="${all.dataset.group}"]`)]
            const follow = () => {
                const on = kinds.filter(kind => kind.checked).length
                all.checked = on > 0
                all.indeterminate = on > 0 && on < kinds.length
            }
            all.addEventListener('change', () => {
                for (const kind of kinds) kind.checked = all.checked
            })
            for (const kind of kinds) kind.addEventListener('change', follow)
            form.addEventListener('taken-back', follow)
            follow()
        }
    }
}

export function watchSettings(root) {
    const { saved, undone, undo, failed } = root.dataset
    for (const form of root.querySelectorAll('form[data-autosave]')) {
        if (form.querySelector('[data-group]')) watchGroups(form)
        new Autosave(form, { saved, undone, undo, failed })
    }
}
