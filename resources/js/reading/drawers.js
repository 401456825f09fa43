// The drawers on the right: contents, bookmarks and appearance. One is open at a time; it takes the focus and gives it back.

const $ = id => document.getElementById(id)

export class Drawers {
    open = null

    constructor() {
        for (const name of ['contents', 'bookmarks', 'appearance']) {
            // An excerpt has no bookmarks.
            if (!$(name)) continue
            $(`open-${name}`).onclick = () => this.toggle(name)
            $(name).querySelector('[data-close]').onclick = () => this.close()
        }
    }

    toggle(name) {
        if (this.open === name) return this.close()
        this.close()
        this.open = name
        $(name).hidden = false
        $(`open-${name}`).setAttribute('aria-expanded', 'true')
        const current = $(name).querySelector('[aria-current]')
        current?.scrollIntoView({ block: 'center' })
        ;(current ?? $(name).querySelector('a, input, textarea, button')).focus()
    }

    close() {
        if (!this.open) return
        $(this.open).hidden = true
        const opener = $(`open-${this.open}`)
        opener.setAttribute('aria-expanded', 'false')
        this.open = null
        opener.focus()
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
        if (href) $('contents-list').querySelector(`[data-href="${CSS.escape(href)}"]`)?.setAttribute('aria-current', 'true')
    }
}
