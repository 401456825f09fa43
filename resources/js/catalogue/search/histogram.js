// Dragging over the bars of a histogram chooses from one to another; a click alone follows the bar's link.
export const watchHistograms = () => {
    let began = null
    const bar = event => event.target.closest?.('[data-histogram] [data-from]')
    document.addEventListener('pointerdown', event => {
        began = bar(event) ?? null
    })
    document.addEventListener('dragstart', event => bar(event) && event.preventDefault())
    document.addEventListener('pointermove', event => {
        const over = began && bar(event)
        if (!over || over.parentNode !== began.parentNode) return
        const bars = [...began.parentNode.querySelectorAll('[data-from]')]
        const [a, b] = [bars.indexOf(began), bars.indexOf(over)].sort((x, y) => x - y)
        bars.forEach((each, n) =>
            each
                .querySelector('.bar')
                .setAttribute('fill', `var(--color-${n >= a && n <= b ? 'shutter' : 'haint-deep'})`),
        )
    })
    document.addEventListener('pointerup', event => {
        const [first, last] = [began, bar(event)]
        began = null
        if (!first || !last || first === last || first.parentNode !== last.parentNode) return
        const numbers = [first, last].flatMap(each => [Number(each.dataset.from), Number(each.dataset.to)])
        const form = first.closest('form')
        const { histogram } = first.closest('[data-histogram]').dataset
        form.elements[`${histogram}_from`].value = Math.min(...numbers)
        form.elements[`${histogram}_to`].value = Math.max(...numbers)
        document.addEventListener('click', click => click.preventDefault(), { capture: true, once: true })
        form.requestSubmit()
    })
}
