// Turning pages, one turn after the other: foliate drops what is asked for while it turns.

/** Just before the end: after it stands what is not part of the reading order's line, such as a cover. */
const END = 1 - 1e-6

/** No more turns wait, or a key held down would run on. */
const MOST_WAITING = 3

const SWIPE = 40

/** From so many milliseconds on it is said that something is on its way. */
const SLOW = 900

/** @returns {'left'|'right'|'middle'} where a page of that width is pressed */
export const edgeAt = (x, width) => (x < width * 0.3 ? 'left' : x > width * 0.7 ? 'right' : 'middle')

export class Turning {
    #going = Promise.resolve()
    #waiting = 0

    /**
     * @param {{goLeft: Function, goRight: Function, prev: Function, next: Function, goToFraction: Function}} view
     * @param {{onMiddle: () => void, onSlow: () => void, onDone: () => void}} then the middle of the page was pressed;
     *     what was asked for takes its time; it is here
     */
    constructor(view, { onMiddle, onSlow = () => {}, onDone = () => {} }) {
        Object.assign(this, { onSlow, onDone })
        this.left = () => this.#turn(() => view.goLeft())
        this.right = () => this.#turn(() => view.goRight())
        this.back = () => this.#turn(() => view.prev())
        this.on = () => this.#turn(() => view.next())
        this.toStart = () => this.#turn(() => view.goToFraction(0))
        this.toEnd = () => this.#turn(() => view.goToFraction(END))
        this.middle = onMiddle
    }

    /** Goes somewhere when what was asked for before is done. */
    go(act) {
        const slow = setTimeout(this.onSlow, SLOW)
        this.#going = this.#going
            .then(act)
            .catch(error => console.warn(error))
            .finally(() => {
                clearTimeout(slow)
                this.onDone()
            })
        return this.#going
    }

    #turn(act) {
        if (this.#waiting >= MOST_WAITING) return
        this.#waiting++
        this.go(act).finally(() => this.#waiting--)
    }

    /**
     * Reflowable text is swiped by foliate's own renderer; documents of fixed pages are swiped here.
     *
     * @param {() => boolean} isMoved whether a finger moves the page within the window instead
     */
    swipe(target, isMoved = () => false) {
        let start = null
        target.addEventListener(
            'touchstart',
            e => {
                start = e.touches.length === 1 && !isMoved() ? e.touches[0].screenX : null
            },
            { passive: true },
        )
        target.addEventListener('touchend', e => {
            const moved = start === null ? 0 : e.changedTouches[0].screenX - start
            if (Math.abs(moved) > SWIPE) (moved < 0 ? this.right : this.left)()
        })
    }
}
