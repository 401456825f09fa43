// Bookmarks with notes: written here first and sent when there is a connection; the last change of each counts.

const element = (name, properties = {}, ...children) => {
    const made = Object.assign(document.createElement(name), properties)
    made.append(...children)
    return made
}

export class Bookmarks {
    #all = new Map()
    #unsent

    /**
     * @param {{address: string, token: string, box: HTMLElement, texts: object, where: () => {locator: object, label: string}, go: (locator: object) => void}} of
     */
    constructor(of) {
        Object.assign(this, of)
        this.slot = `bookmarks:${this.address}`
        this.#unsent = JSON.parse(localStorage.getItem(this.slot) ?? '{}')
        this.list = element('ol', { className: 'bookmark-list' })
        this.note = element('textarea', { rows: 2, maxLength: 4000, id: 'bookmark-note', className: 'bookmark-note' })
        const add = element('button', { type: 'button', className: 'btn', textContent: this.texts.add_bookmark, id: 'add-bookmark' })
        add.onclick = () => this.add()
        this.status = element('p', { role: 'status', className: 'empty:hidden text-[15px]' })
        this.box.replaceChildren(element('label', { htmlFor: 'bookmark-note', textContent: this.texts.bookmark_note }), this.note, add, this.status, this.list)
        addEventListener('online', () => this.send())
        this.load()
    }

    async load() {
        const response = await fetch(this.address, { headers: { Accept: 'application/json' } }).catch(() => null)
        if (response?.ok) for (const bookmark of await response.json()) this.#all.set(bookmark.id, bookmark)
        for (const [id, change] of Object.entries(this.#unsent)) {
            if (change.removed) this.#all.delete(id)
            else this.#all.set(id, { id, ...change })
        }
        this.show()
        this.send()
    }

    add() {
        const { locator, label } = this.where()
        const note = this.note.value.trim()
        // A second click says nothing new of the place.
        const known = [...this.#all.values()].some(b => b.label === label && ['', b.note].includes(note))
        if (!known) this.change({ id: crypto.randomUUID(), locator, label, note })
        this.note.value = ''
        this.status.textContent = this.texts.bookmark_added
    }

    change(bookmark, removed = false) {
        if (removed) this.#all.delete(bookmark.id)
        else this.#all.set(bookmark.id, bookmark)
        this.#unsent[bookmark.id] = { locator: bookmark.locator, label: bookmark.label, note: bookmark.note, removed, changed_at: Date.now() }
        this.#keep()
        this.show()
        this.send()
    }

    async send() {
        for (const [id, change] of Object.entries(this.#unsent)) {
            const response = await fetch(`${this.address}/${id}`, {
                method: 'PUT', keepalive: true,
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': this.token },
                body: JSON.stringify({ ...change, sent_at: Date.now() }),
            }).catch(() => null)
            if (!response) return
            if (response.status === 409) this.status.textContent = (await response.json()).message
            // Taken, or never to be taken; anything else is tried again later.
            if ((response.ok || [404, 409, 422].includes(response.status)) && this.#unsent[id] === change) {
                delete this.#unsent[id]
                this.#keep()
            }
        }
    }

    #keep() {
        localStorage.setItem(this.slot, JSON.stringify(this.#unsent))
    }

    show() {
        const at = bookmark => bookmark.locator.locations.totalProgression
        this.list.replaceChildren(...[...this.#all.values()].sort((a, b) => at(a) - at(b)).map(bookmark => {
            const go = element('button', { type: 'button', className: 'bookmark-go', textContent: bookmark.label })
            go.onclick = () => this.go(bookmark.locator)
            const remove = element('button', { type: 'button', className: 'bookmark-remove', textContent: this.texts.remove })
            remove.setAttribute('aria-label', `${this.texts.remove}: ${bookmark.label}`)
            remove.onclick = () => {
                this.change(bookmark, true)
                this.status.textContent = this.texts.bookmark_removed
                document.getElementById('add-bookmark').focus()
            }
            return element('li', {}, go, remove, ...bookmark.note ? [element('p', { textContent: bookmark.note })] : [])
        }))
    }
}
