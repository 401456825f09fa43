// Bookmarks, highlights and notes: written here first and sent when there is a connection; the last change of each
// counts.

import { element } from '../reader/element.js'
import { isForgotten, sendMark, settled, unsentMarks } from './kept.js'
import { NoteBox } from './note-box.js'

export class Marks {
    #all = new Map()
    #unsent

    /**
     * @param {{
     *     address: string, token: string, box: HTMLElement, texts: object, colours?: Record<string, string>,
     *     where: () => {locator: object, label: string}, go: (locator: object) => void,
     *     onChange?: (mark: object) => void, write?: (mark: object) => void
     * }} of colours: what they are called; write: puts the box for a note where the text is to which it belongs, else
     *     it is in the list
     */
    constructor(of) {
        Object.assign(this, of)
        this.#unsent = unsentMarks(this.address)
        this.list = element('ol', { className: 'mark-list' })
        this.noteBox = new NoteBox(this.texts, {
            keep: (mark, note) => this.change({ ...(this.#all.get(mark.id) ?? mark), note }),
            remove: mark => this.remove(mark),
        })
        const add = element('button', {
            type: 'button',
            className: 'btn',
            textContent: this.texts.add_bookmark,
            id: 'add-bookmark',
        })
        add.onclick = () => this.bookmark()
        this.status = element('p', { role: 'status', className: 'empty:hidden text-[15px]' })
        this.box.replaceChildren(add, this.status, this.list)
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
        // A second click says nothing new of the place.
        const known = this.all.some(b => !b.colour && b.label === label)
        if (!known) this.change({ id: crypto.randomUUID(), locator, label, note: '', colour: null })
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

    /** Opens the box for the note of a mark. */
    edit(mark) {
        if (this.write) this.write(mark)
        else this.noteBox.show(mark, box => this.#entryOf(mark)?.append(box))
    }

    #entryOf(mark) {
        return this.list.querySelector(`[data-mark="${mark.id}"]`)
    }

    change(mark, removed = false) {
        if (removed && this.noteBox.mark?.id === mark.id) this.noteBox.close(false)
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
            if (isForgotten()) return
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
        if (isForgotten()) return
        localStorage.setItem(`marks:${this.address}`, JSON.stringify(this.#unsent))
    }

    show() {
        const at = mark => mark.locator.locations.totalProgression
        const { noteBox } = this
        const isWriting = noteBox.open && this.list.contains(noteBox.element)
        const hasFocus = noteBox.element.contains(document.activeElement)
        this.list.replaceChildren(...this.all.sort((a, b) => at(a) - at(b)).map(mark => this.#entry(mark)))
        if (!isWriting) return
        this.#entryOf(noteBox.mark)?.append(noteBox.element)
        if (hasFocus) noteBox.text.focus()
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
        const entry = element('li', {}, go, edit, remove)
        entry.dataset.mark = mark.id
        if (mark.colour) {
            const quote = element('blockquote', {
                className: 'mark-quote',
                textContent: mark.locator.text?.highlight ?? '',
            })
            quote.dataset.colour = mark.colour
            const colour = element('span', { className: 'mark-colour', textContent: this.colours?.[mark.colour] ?? '' })
            entry.append(quote, colour)
        }
        if (mark.note) entry.append(element('p', { textContent: mark.note }))
        return entry
    }
}
