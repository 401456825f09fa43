// The drawers on the right: contents, find, marks, citation, word and appearance. One is open at a time; it takes the
// focus and gives it back.

const $ = id => document.getElementById(id)

export class Drawers {
    open = null

    constructor() {
        for (const drawer of document.querySelectorAll('.drawer')) {
            drawer.querySelector('[data-close]').onclick = () => this.close()
            // Citation and word are opened by what is selected.
            const opener = $(`open-${drawer.id}`)
            if (opener) opener.onclick = () => this.toggle(drawer.id)
        }
    }

    toggle(name) {
        if (this.open === name) return this.close()
        this.show(name)
        const current = $(name).querySelector('[aria-current]')
        current?.scrollIntoView({ block: 'center' })
        ;(
            current ??
            $(name).querySelector('a, input, textarea, button:not([data-close])') ??
            $(name).querySelector('button')
        ).focus()
    }

    show(name) {
        if (this.open === name) return
        this.close()
        this.open = name
        $(name).hidden = false
        $(`open-${name}`)?.setAttribute('aria-expanded', 'true')
    }

    close() {
        if (!this.open) return
        $(this.open).hidden = true
        const opener = $(`open-${this.open}`)
        opener?.setAttribute('aria-expanded', 'false')
        this.open = null
        opener?.focus()
    }

    /** Writes the contents; a heading that leads nowhere is written as text. */
    fillContents(toc, go) {
        const list = items => {
            const ol = document.createElement('ol')
            for (const { label, href, subitems } of items) {
                const li = document.createElement('li')
                const entry = document.createElement(href ? 'a' : 'span')
                entry.textContent = label
                if (href) {
                    entry.href = '#'
                    entry.dataset.href = href
                    entry.onclick = event => {
                        event.preventDefault()
                        go(href)
                    }
                }
                li.append(entry)
                if (subitems?.length) li.append(list(subitems))
                ol.append(li)
            }
            return ol
        }
        $('contents-list').replaceChildren(list(toc))
    }

    /** Marks where we are. */
    mark(href) {
        $('contents-list').querySelector('[aria-current]')?.removeAttribute('aria-current')
        if (href)
            $('contents-list')
                .querySelector(`[data-href="${CSS.escape(href)}"]`)
                ?.setAttribute('aria-current', 'true')
    }
}
