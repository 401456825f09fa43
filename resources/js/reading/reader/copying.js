// Copies as far as the licence allows it: the text is counted as so much of its pages, and the price is said before.
// What is an excerpt is free.

import { json } from '../marks/kept.js'
import { say } from './notice.js'

export class Copying {
    /**
     * @param {{take: string|null, isLimited: boolean, token: string, texts: Record<string, string>}} data take: where
     *     it is counted; isLimited: whether the licence sets a limit
     */
    constructor(data) {
        this.data = data
    }

    /** Whether what is copied is counted. */
    get isCounted() {
        return Boolean(this.data.take)
    }

    /**
     * @param {{from: Spot, to: Spot}} span
     * @returns {Promise<string>} in words; empty where there is none, or no answer
     * @typedef {{document: number, share: number}} Spot a document of the reading order, and how far in its text
     */
    async price(span) {
        if (!this.data.take || !this.data.isLimited) return ''
        const address = `${this.data.take}?${new URLSearchParams(this.#parameters(span))}`
        const response = await fetch(address, { headers: { Accept: 'application/json' } }).catch(() => null)
        return response?.ok ? (await response.json()).message : ''
    }

    async copy(text, span) {
        const { take, token, texts } = this.data
        if (!take) {
            await navigator.clipboard.writeText(text)
            return say(texts.copied)
        }
        const response = await fetch(take, {
            method: 'POST',
            headers: json(token),
            body: JSON.stringify(this.#parameters(span)),
        }).catch(() => null)
        const answer = await response?.json().catch(() => null)
        if (!response?.ok) return say(answer?.message ?? texts.cannot_copy)
        await navigator.clipboard.writeText(text)
        say(answer.message)
    }

    #parameters({ from, to }) {
        return { from_document: from.document, from_share: from.share, to_document: to.document, to_share: to.share }
    }
}
