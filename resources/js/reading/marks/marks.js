// Bookmarks, highlights and notes: written here first and sent when there is a connection; the last change of each
// counts.

import { element } from '../reader/element.js'
import { sendMark, settled, unsentMarks } from './kept.js'

export class Marks {
    #all = new Map()
    #unsent
    #editing = null

    /**
     * @param {{address: string, token: string, box: HTMLElement, texts: object, where: () => {locator: object,
     *     label: string}, go: (locator: object) => void, onChange?: (mark: object) => void}} of
     */
    constructor(of) {
        Object.assign(this, of)
        this.#unsent = unsentMarks(this.address)
        this.list = element('ol', { className: 'mark-list' })
        this.note = element('textarea', { rows: 2, maxLength: 4000, id: 'bookmark-note', className: 'mark-note' })
        const add = element('button', {
            type: 'button',
            className: 'btn',
            textContent: this.texts.add_bookmark,
            id: 'add-bookmark',
        })
        add.onclick = () => this.bookmark()
        this.status = element('p', { role: 'status', className: 'empty:hidden text-[15px]' })
        this.box.replaceChildren(
            element('label', { htmlFor: 'bookmark-note', textContent: this.texts.mark_note }),
            this.note,
            add,
            this.status,
            this.list,
        )
        addEventListener('online', () => this.send())
        this.load()
    }

    async load() {
        const response = await fetch(this.address, { headers: { Accept: 'application/json' } }).catch(() => null)
        if (response?.ok) for (const mark of await response.json()) this.#all.set(mark.id, mark)
        for (const [id, change] of Object.entries(this.#unsent)) {
            if (change.removed) this.#all.delete(id)
            else this.#all.set(id, { id, ...change })
        }
        this.show()
        for (const mark of this.#all.values()) this.onChange?.(mark)
        this.send()
    }

    get all() {
        return [...this.#all.values()]
    }

    bookmark() {
        const { locator, label } = this.where()
        const note = this.note.value.trim()
        // A second click says nothing new of the place.
        const known = this.all.some(b => !b.colour && b.label === label && ['', b.note].includes(note))
        if (!known) this.change({ id: crypto.randomUUID(), locator, label, note, colour: null })
        this.note.value = ''
        this.status.textContent = this.texts.bookmark_added
    }

    /** @returns the mark, new or with what changed of it */
    highlight(mark) {
        const changed = { id: crypto.randomUUID(), note: '', ...mark }
        this.change(changed)
        return changed
    }

    remove(mark) {
        this.change(mark, true)
        this.status.textContent = this.texts.mark_removed
    }

    /** Opens the note of a mark in the list. */
    edit(mark) {
        this.#editing = mark.id
        this.show()
        this.list.querySelector('textarea')?.focus()
    }

    change(mark, removed = false) {
        if (removed) this.#all.delete(mark.id)
        else this.#all.set(mark.id, mark)
        this.#unsent[mark.id] = {
            locator: mark.locator,
            label: mark.label,
            note: mark.note,
            colour: mark.colour ?? null,
            removed,
            changed_at: Date.now(),
        }
        this.#keep()
        this.show()
        this.onChange?.(mark, removed)
        this.send()
    }

    async send() {
        for (const [id, change] of Object.entries(this.#unsent)) {
            const response = await sendMark(this.address, this.token, id, change).catch(() => null)
            if (!response) return
            if (response.status === 409) this.status.textContent = (await response.json()).message
            if (settled(response, [404, 409, 422]) && this.#unsent[id] === change) {
                delete this.#unsent[id]
                this.#keep()
            }
        }
    }

    #keep() {
        localStorage.setItem(`marks:${this.address}`, JSON.stringify(this.#unsent))
    }

    show() {
        const at = mark => mark.locator.locations.totalProgression
        this.list.replaceChildren(...this.all.sort((a, b) => at(a) - at(b)).map(mark => this.#entry(mark)))
    }

    #entry(mark) {
        const go = element('button', { type: 'button', className: 'mark-go', textContent: mark.label })
        go.onclick = () => this.go(mark.locator)
        const button = (words, act) => {
            const made = element('button', { type: 'button', className: 'mark-act', textContent: words, onclick: act })
            made.setAttribute('aria-label', `${words}: ${mark.label}`)
            return made
        }
        const edit = button(mark.note ? this.texts.edit_note : this.texts.add_note, () => this.edit(mark))
        const remove = button(this.texts.remove, () => {
            this.remove(mark)
            document.getElementById('add-bookmark').focus()
        })
        const entry = element('li', {}, go, ...(this.#editing === mark.id ? [] : [edit, remove]))
        if (mark.colour) {
            const quote = element('blockquote', {
                className: 'mark-quote',
                textContent: mark.locator.text?.highlight ?? '',
            })
            quote.dataset.colour = mark.colour
            entry.append(quote)
        }
        if (this.#editing === mark.id) entry.append(this.#form(mark))
        else if (mark.note) entry.append(element('p', { textContent: mark.note }))
        return entry
    }

    #form(mark) {
        const text = element('textarea', {
            rows: 3,
            maxLength: 4000,
            className: 'mark-note',
            value: mark.note,
            id: `note-${mark.id}`,
        })
        const done = keep => {
            this.#editing = null
            document.getElementById('add-bookmark').focus()
            if (keep && text.value.trim() !== mark.note) this.change({ ...mark, note: text.value.trim() })
            else this.show()
        }
        const form = element(
            'form',
            { className: 'grid gap-2 w-full' },
            element('label', { htmlFor: text.id, textContent: this.texts.note }),
            text,
            element(
                'span',
                { className: 'flex gap-2' },
                element('button', { className: 'mark-save', textContent: this.texts.keep_note }),
                element('button', { type: 'button', textContent: this.texts.leave_note, onclick: () => done(false) }),
            ),
        )
        form.addEventListener('submit', event => {
            event.preventDefault()
            done(true)
        })
        return form
    }
}
