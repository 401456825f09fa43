// The list of suggestions under the search: arrow keys walk it, Enter follows, Escape puts it away.
export const watchSuggestions = () => {
    const words = document.getElementById('words')
    const slot = document.getElementById('suggestions')
    if (!words || !slot) return
    const options = () => [...slot.querySelectorAll('[role=option]')]
    const active = () => options().find(option => option.getAttribute('aria-selected') === 'true')

    const choose = option => {
        active()?.setAttribute('aria-selected', 'false')
        option?.setAttribute('aria-selected', 'true')
        option?.scrollIntoView({ block: 'nearest' })
        option ? words.setAttribute('aria-activedescendant', option.id) : words.removeAttribute('aria-activedescendant')
    }
    const close = () => {
        slot.replaceChildren()
        words.setAttribute('aria-expanded', 'false')
        words.removeAttribute('aria-activedescendant')
    }

    // What stood in the field when the list was put away: an answer that comes after does not bring it back.
    let putAway = null
    slot.addEventListener('htmx:beforeSwap', event => {
        // Nor does one that comes late take away what somebody is choosing from.
        if (words.value === putAway || words.value.trim() === '' || active()) event.detail.shouldSwap = false
    })
    slot.addEventListener('htmx:afterSwap', () => {
        words.removeAttribute('aria-activedescendant')
        words.setAttribute('aria-expanded', String(options().length > 0 && document.activeElement === words))
        if (document.activeElement !== words) close()
    })
    words.addEventListener('keydown', event => {
        const all = options()
        if (event.key === 'Escape') {
            putAway = words.value
            if (!all.length) return
            event.preventDefault()
            close()
        } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && all.length) {
            event.preventDefault()
            const at = all.indexOf(active()),
                step = event.key === 'ArrowDown' ? 1 : -1
            // Beyond either end stands what was typed.
            const next = at === -1 ? (step === 1 ? 0 : all.length - 1) : at + step
            choose(all[next])
        } else if (event.key === 'Enter' && active()) {
            event.preventDefault()
            location.assign(active().querySelector('a').href)
        }
    })
    words.addEventListener('input', () => {
        putAway = null
        choose(undefined)
        if (words.value.trim() === '') close()
    })
    document.addEventListener('click', event => !slot.contains(event.target) && event.target !== words && close())
    words.addEventListener(
        'blur',
        event =>
            !slot.contains(event.relatedTarget) && setTimeout(() => document.activeElement !== words && close(), 150),
    )
}
