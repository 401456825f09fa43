/** How long to wait before the next try, in milliseconds; the last for as long as it takes. */
const WAITS = [500, 2000, 5000, 10000]

const pause = ms => new Promise(done => setTimeout(done, ms))

/** What the library says against a file; to be shown as it is. */
export class Refused extends Error {}

/**
 * Sends a file in parts, each where the last one ended. A network that is away is waited for, and what has come is not
 * sent again.
 */
export class FileSender {
    #token
    #fetch
    #pause

    constructor(token, { fetch = globalThis.fetch.bind(globalThis), wait = pause } = {}) {
        this.#token = token
        this.#fetch = fetch
        this.#pause = wait
    }

    /**
     * @param {Blob & {name: string}} file
     * @param {(sent: number, waits: boolean) => void} tell how much has come, and whether the network is waited for
     * @returns {Promise<string>} the number under which the library has it
     */
    async send(file, tell) {
        const begun = await this.#ask('POST', '/desk/uploads', JSON.stringify({ name: file.name, bytes: file.size }))
        const { id, part } = begun
        let sent = 0
        let tries = 0
        while (sent < file.size) {
            try {
                const body = file.slice(sent, sent + part)
                sent = (await this.#ask('PUT', `/desk/uploads/${id}?at=${sent}`, body)).received
                tries = 0
                tell(sent, false)
            } catch (failed) {
                if (failed instanceof Refused) throw failed
                tell(sent, true)
                await this.#pause(WAITS[Math.min(tries++, WAITS.length - 1)])
                sent = await this.#ask('GET', `/desk/uploads/${id}`).then(
                    ({ received }) => received,
                    error => {
                        if (error instanceof Refused) throw error
                        return sent
                    },
                )
            }
        }
        return id
    }

    async #ask(method, address, body) {
        const response = await this.#fetch(address, {
            method,
            body,
            headers: {
                Accept: 'application/json',
                'Content-Type': method === 'POST' ? 'application/json' : 'application/octet-stream',
                'X-CSRF-TOKEN': this.#token,
            },
        })
        const answer = await response.json().catch(() => ({}))
        // A part that is not the next one: the answer says where to go on.
        if (response.ok || (response.status === 409 && 'received' in answer)) return answer
        if (response.status >= 500 && response.status !== 507) throw new Error(`${response.status}`)
        if (response.status === 429) throw new Error('429')
        throw new Refused(answer.message ?? '')
    }
}

/** A form with files: they are sent first, with a bar for each, and the form then names them. */
export const watchUploads = (form, token) => {
    const input = form.querySelector('input[type=file]')
    const list = form.querySelector('[data-progress]')
    const button = form.querySelector('button:not([type=button])')
    const row = file => {
        const item = list.appendChild(document.createElement('li'))
        const name = item.appendChild(document.createElement('span'))
        const bar = item.appendChild(document.createElement('progress'))
        const words = item.appendChild(document.createElement('span'))
        name.textContent = file.name
        bar.max = file.size || 1
        bar.value = 0
        bar.setAttribute('aria-label', file.name)
        words.className = 'meta'
        return { bar, words }
    }
    form.addEventListener('submit', async event => {
        event.preventDefault()
        const files = [...input.files]
        if (files.length === 0 || button.disabled) return
        button.disabled = true
        list.replaceChildren()
        const stay = leaving => leaving.preventDefault()
        addEventListener('beforeunload', stay)
        const sender = new FileSender(token)
        const ids = []
        let refused = false
        for (const { file, bar, words } of files.map(file => ({ file, ...row(file) }))) {
            try {
                ids.push(
                    await sender.send(file, (sent, waits) => {
                        bar.value = sent
                        words.textContent = waits ? form.dataset.waits : `${Math.floor((100 * sent) / file.size)} %`
                    }),
                )
                words.textContent = form.dataset.sent
            } catch (why) {
                refused = true
                words.textContent = (why instanceof Refused && why.message) || form.dataset.failed
                words.className = 'text-clay font-semibold'
            }
        }
        removeEventListener('beforeunload', stay)
        button.disabled = false
        // One of several that is refused keeps the others here until it is seen.
        if (ids.length === 0) return
        form.elements.uploads.value = ids.join(',')
        if (refused) await pause(3000)
        input.disabled = true
        form.submit()
    })
}
