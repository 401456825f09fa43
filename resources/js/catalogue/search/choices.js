/**
 * Choices that act by themselves when they are clicked. By keys one walks over them first: then an Apply comes, and
 * Enter does it. The page that follows has the focus where it was.
 */

const KEPT = 'figporch.stay'

/** The page goes on where it was left, if it is the same with other choices. */
const goOn = () => {
    const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null')
    sessionStorage.removeItem(KEPT)
    if (kept?.path !== location.pathname) return
    const fields = [...document.getElementsByName(kept.name)].filter(field => field.matches('[data-submit-on-change]'))
    const field = fields.find(one => one.value === kept.value) ?? fields[0]
    openSheet(kept.sheet)
    field?.focus({ preventScroll: true })
    scrollTo(0, kept.top)
}

/** The sheet of filters, as a phone has it, stays open from choice to choice. */
const sheet = () => ('popover' in HTMLElement.prototype ? document.querySelector('.sheet:popover-open') : null)

const openSheet = top => {
    const closed = document.querySelector('.sheet')
    // On wider screens it stands in its place.
    if (top === undefined || !closed || getComputedStyle(closed).display !== 'none') return
    closed.showPopover()
    closed.scrollTop = top
}

const keep = what => sessionStorage.setItem(KEPT, JSON.stringify({ ...what, top: scrollY, sheet: sheet()?.scrollTop }))

/** The button that stands ready for browsers without scripts. */
const showApply = form => {
    const unscripted = form.querySelector('noscript')
    unscripted?.replaceWith(document.createRange().createContextualFragment(unscripted.textContent))
}

export const watchChoices = () => {
    // Arrows lead from one choice to the next: what counts is by what somebody did anything last.
    let byKeys = false
    document.addEventListener('pointerdown', () => (byKeys = false), true)
    document.addEventListener(
        'keydown',
        event => {
            // A box is ticked by the space bar on purpose; with arrows and letters one only looks for a value.
            byKeys = event.target.type !== 'checkbox'
        },
        true,
    )
    for (const field of document.querySelectorAll('[data-submit-on-change]')) {
        const apply = () => {
            const { name, value, form } = field
            const path = new URL(form.action).pathname
            keep({ path, name, value })
            form.requestSubmit()
        }
        field.addEventListener('keydown', event => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            apply()
        })
        field.addEventListener('change', () => (byKeys ? showApply(field.form) : apply()))
    }
    // So are filters that are links, and years that are dragged over.
    document.addEventListener('click', event => {
        const link = event.target.closest('.sheet a[href]')
        if (link && sheet()) keep({ path: new URL(link.href).pathname })
    })
    document.addEventListener('submit', event => {
        if (sheet()?.contains(event.target) && !sessionStorage.getItem(KEPT))
            keep({ path: new URL(event.target.action).pathname })
    })
    goOn()
}
