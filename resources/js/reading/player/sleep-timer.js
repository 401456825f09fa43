// Stops playing after some minutes, or when a part ends.

export class SleepTimer {
    #timer
    #choice

    constructor(choice, stop) {
        this.#choice = choice
        choice.onchange = () => {
            clearTimeout(this.#timer)
            const minutes = Number(choice.value)
            if (minutes > 0) {
                this.#timer = setTimeout(() => {
                    choice.value = 'off'
                    stop()
                }, minutes * 60_000)
            }
        }
    }

    /** Whether playing is to stop now that a part has ended; then the timer is off again. */
    endsWithPart() {
        const stops = this.#choice.value === 'end'
        if (stops) this.#choice.value = 'off'
        return stops
    }
}
