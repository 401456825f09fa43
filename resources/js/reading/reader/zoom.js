// How large fixed pages are: the whole page in the window, as wide as the window, or so many per cent; and the window
// moved over what is larger than it, by keys, by a finger, by the mouse.

const KEPT = 'zoom'
const LEAST = 25
const MOST = 400
const STEPS = [25, 33, 50, 67, 75, 100, 125, 150, 200, 250, 300, 400]

/** CSS pixels that an arrow key moves; of a window, what a larger step leaves of the one before. */
const STEP = 60
const LEFT_OF_WINDOW = 0.1

/** A mouse that has moved less has pressed. */
const PRESSED = 4

/** Milliseconds after the last movement; then what is in view is drawn sharply. */
const AT_REST = 150

/** How much larger a turn of the wheel makes it: common practice, no source. */
const WHEEL = 300

const valid = value => {
    if (value === 'page' || value === 'width') return value
    const percent = Number(value)
    return percent > 0 ? Math.min(MOST, Math.max(LEAST, percent)) : 'page'
}

const between = ([one, other]) => Math.hypot(one.screenX - other.screenX, one.screenY - other.screenY)

export class Zoom {
    #chosen
    #left = 0
    #index = null
    #toEnd = false
    #hasPanned = false
    #rest

    /**
     * @param {{choice: HTMLSelectElement, smaller: HTMLElement, larger: HTMLElement, unit: number,
     *     standard: 'page'|'width'}} of  unit: CSS pixels that one unit of a page is at 100 per cent; standard: until
     *     something is chosen
     */
    constructor({ choice, smaller, larger, unit, standard }) {
        Object.assign(this, { choice, smaller, larger, unit })
        this.#chosen = valid(localStorage.getItem(KEPT) ?? standard)
    }

    /** Whether there are pages yet. */
    get isOpen() {
        return Boolean(this.renderer)
    }

    /** @param {HTMLElement} view of foliate, once a publication is open in it */
    open(view) {
        this.renderer = view.renderer
        this.choice.onchange = () => this.set(this.choice.value)
        this.smaller.onclick = () => this.reduce()
        this.larger.onclick = () => this.enlarge()
        this.renderer.addEventListener('zoomed', () => this.#show())
        this.renderer.addEventListener('scroll', () => {
            if (this.isWider) this.#left = this.renderer.scrollLeft
            clearTimeout(this.#rest)
            this.#rest = setTimeout(() => view.book.pages?.sharpen(), AT_REST)
        })
        view.addEventListener('relocate', () => this.#turned())
        this.#follow(this.renderer)
        this.#apply()
    }

    get percent() {
        return (100 * this.renderer.scale) / this.unit
    }

    enlarge() {
        this.set(STEPS.find(step => step > this.percent + 1) ?? MOST)
    }

    reduce() {
        this.set(STEPS.findLast(step => step < this.percent - 1) ?? LEAST)
    }

    /**
     * @param {'page'|'width'|number|string} value
     * @param {{x: number, y: number}} point of the window that stays where it is; else its middle
     */
    set(value, point = { x: this.renderer.clientWidth / 2, y: this.renderer.clientHeight / 2 }) {
        const { renderer } = this
        const before = { scale: renderer.scale, left: renderer.scrollLeft, top: renderer.scrollTop }
        this.#chosen = valid(value)
        localStorage.setItem(KEPT, this.#chosen)
        this.#apply()
        const ratio = renderer.scale / before.scale
        renderer.scrollTo((before.left + point.x) * ratio - point.x, (before.top + point.y) * ratio - point.y)
    }

    /** @returns {boolean} whether there was anything to move to, so many steps to the right and down */
    pan(right, down) {
        return this.#scroll(right * STEP, down * STEP)
    }

    /** A window on (1) or back (-1); the next page is then shown from its beginning or its end. */
    page(on) {
        if (this.#scroll(0, on * (1 - LEFT_OF_WINDOW) * this.renderer.clientHeight)) return true
        this.#toEnd = on < 0
        return false
    }

    /** Whether a page is wider than the window: then pressing its edge turns nothing. */
    get isWider() {
        return this.renderer.scrollWidth > this.renderer.clientWidth + 1
    }

    /** Whether the click that comes now ended a movement. */
    takesClick() {
        const panned = this.#hasPanned
        this.#hasPanned = false
        return panned
    }

    /** A document that is shown. */
    watch(doc) {
        doc.documentElement.style.touchAction = 'pan-x pan-y'
        this.#follow(doc)
        this.#followMouse(doc)
    }

    #scroll(right, down) {
        const { renderer } = this
        const { scrollLeft, scrollTop } = renderer
        renderer.scrollBy(right, down)
        return Math.abs(renderer.scrollLeft - scrollLeft) > 1 || Math.abs(renderer.scrollTop - scrollTop) > 1
    }

    #apply() {
        const chosen = this.#chosen
        this.renderer.setAttribute('zoom', typeof chosen === 'number' ? (chosen / 100) * this.unit : `fit-${chosen}`)
        this.#show()
    }

    #show() {
        const { choice } = this
        const own = choice.querySelector('[data-own]')
        const percent = Math.round(this.percent)
        const value = String(typeof this.#chosen === 'number' ? percent : this.#chosen)
        own.hidden = [...choice.options].some(option => option !== own && option.value === value)
        own.value = own.hidden ? '' : value
        own.textContent = `${percent} %`
        choice.value = value
    }

    /** A page that was turned to is shown from where reading goes on. */
    #turned() {
        const { renderer } = this
        if (this.#index === renderer.index) return
        this.#index = renderer.index
        renderer.scrollTo(this.#left, this.#toEnd ? renderer.scrollHeight : 0)
        this.#toEnd = false
    }

    /** Where something happens, as a point of the window. */
    #point(event, touches = [event]) {
        const frame = event.view?.frameElement
        const host = this.renderer.getBoundingClientRect()
        const at = frame?.getBoundingClientRect() ?? { left: 0, top: 0, width: 1 }
        const scale = frame ? at.width / frame.clientWidth : 1
        const middle = of => touches.reduce((sum, touch) => sum + touch[of], 0) / touches.length
        return { x: at.left + middle('clientX') * scale - host.left, y: at.top + middle('clientY') * scale - host.top }
    }

    /** Two fingers, or a wheel with Ctrl, as which a touch pad tells of two fingers. */
    #follow(target) {
        let pinch = null
        target.addEventListener(
            'touchstart',
            event => {
                pinch = event.touches.length === 2 ? { from: between(event.touches), percent: this.percent } : null
            },
            { passive: true },
        )
        target.addEventListener(
            'touchmove',
            event => {
                if (!pinch || event.touches.length !== 2) return
                event.preventDefault()
                this.set((pinch.percent * between(event.touches)) / pinch.from, this.#point(event, [...event.touches]))
            },
            { passive: false },
        )
        target.addEventListener(
            'wheel',
            event => {
                if (!event.ctrlKey) return
                event.preventDefault()
                this.set(this.percent * Math.exp(-event.deltaY / WHEEL), this.#point(event))
            },
            { passive: false },
        )
    }

    /** Where there is no text to select, a page that is larger than the window is taken hold of. */
    #followMouse(doc) {
        let from = null
        doc.addEventListener('mousedown', event => {
            const { renderer } = this
            const isLarger = this.isWider || renderer.scrollHeight > renderer.clientHeight + 1
            this.#hasPanned = false
            if (event.button !== 0 || !isLarger || event.target.closest('a, span, p, h1, h2, h3, li, td, text')) return
            event.preventDefault()
            from = { x: event.screenX, y: event.screenY, left: renderer.scrollLeft, top: renderer.scrollTop }
        })
        doc.addEventListener('mousemove', event => {
            if (!from) return
            if (event.buttons === 0) {
                from = null
                return
            }
            const [x, y] = [event.screenX - from.x, event.screenY - from.y]
            if (Math.hypot(x, y) > PRESSED) this.#hasPanned = true
            if (this.#hasPanned) this.renderer.scrollTo(from.left - x, from.top - y)
        })
        doc.addEventListener('mouseup', () => {
            from = null
        })
    }
}
