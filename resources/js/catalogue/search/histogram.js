// Dragging over the bars of a histogram chooses from one to another; a click alone follows the bar's link. By keys it
// is one stop: arrows, Home and End go from bar to bar, with Shift from one to another, and Enter chooses.
const barsOf = bar => [...bar.parentNode.querySelectorAll('[data-from]')]

const paint = (first, last) => {
    const bars = barsOf(first)
    const [a, b] = [bars.indexOf(first), bars.indexOf(last)].sort((x, y) => x - y)
    bars.forEach((each, n) =>
        each.querySelector('.bar').setAttribute('fill', `var(--color-${n >= a && n <= b ? 'shutter' : 'haint-deep'})`),
    )
}

const choose = (first, last) => {
    const numbers = [first, last].flatMap(each => [Number(each.dataset.from), Number(each.dataset.to)])
    const form = first.closest('form')
    const { histogram } = first.closest('[data-histogram]').dataset
    form.elements[`${histogram}_from`].value = Math.min(...numbers)
    form.elements[`${histogram}_to`].value = Math.max(...numbers)
    form.requestSubmit()
}

export const watchHistograms = () => {
    let began = null
    let anchor = null
    const bar = event => event.target.closest?.('[data-histogram] [data-from]')
    document.addEventListener('pointerdown', event => {
        began = bar(event) ?? null
    })
    document.addEventListener('dragstart', event => bar(event) && event.preventDefault())
    document.addEventListener('pointermove', event => {
        const over = began && bar(event)
        if (over && over.parentNode === began.parentNode) paint(began, over)
    })
    document.addEventListener('pointerup', event => {
        const [first, last] = [began, bar(event)]
        began = null
        if (!first || !last || first === last || first.parentNode !== last.parentNode) return
        document.addEventListener('click', click => click.preventDefault(), { capture: true, once: true })
        choose(first, last)
    })
    document.addEventListener('focusin', event => {
        const here = bar(event)
        if (anchor && anchor.parentNode !== here?.parentNode) anchor = null
        if (here) for (const each of barsOf(here)) each.setAttribute('tabindex', each === here ? 0 : -1)
    })
    document.addEventListener('keydown', event => {
        const here = bar(event)
        if (!here || event.ctrlKey || event.altKey || event.metaKey) return
        if (event.key === 'Enter' && anchor && anchor !== here) {
            event.preventDefault()
            choose(anchor, here)
            return
        }
        const bars = barsOf(here)
        const at = bars.indexOf(here)
        const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: bars.length - 1 }[event.key]
        if (to === undefined) return
        event.preventDefault()
        const next = bars[Math.min(bars.length - 1, Math.max(0, to))]
        anchor = event.shiftKey ? (anchor ?? here) : null
        next.focus()
        if (anchor) paint(anchor, next)
    })
}
