// A card that is kept on this device, so that it can be shown at the library without a network.

import { makeReady, release } from '../../reading/offline/device.js'
import { inUse, setCardHere } from '../../reading/offline/flag.js'
import { takeShell } from '../../reading/offline/take.js'

const KEY = 'cards-here'

/** @returns {{id: string, library: string, name: string, number: string, picture: string}[]} */
export const keptCards = () => JSON.parse(localStorage.getItem(KEY) ?? '[]')

const keep = cards => {
    if (cards.length) localStorage.setItem(KEY, JSON.stringify(cards))
    else localStorage.removeItem(KEY)
    setCardHere(cards.length > 0)
}

export const keepCard = async (canvas, { id, library, name, number }) => {
    await makeReady()
    await takeShell()
    keep([
        ...keptCards().filter(card => card.id !== id),
        { id, library, name, number, picture: canvas.toDataURL('image/png') },
    ])
}

export const forgetCard = async id => {
    keep(keptCards().filter(card => card.id !== id))
    if (keptCards().length || inUse()) return
    await caches.delete('shell')
    await release()
}

export const forgetCards = async () => {
    for (const { id } of keptCards()) await forgetCard(id)
}

/** The buttons beside a card: to keep it here, or no longer. */
export const watchCard = section => {
    const [on, off] = [section.querySelector('[data-keep]'), section.querySelector('[data-forget]')]
    const said = section.querySelector('[role=status]')
    // On a computer that others use nothing is kept.
    if (!on) return
    const show = () => {
        const isHere = keptCards().some(card => card.id === section.dataset.id)
        on.hidden = isHere
        off.hidden = !isHere
    }
    on.addEventListener('click', async () => {
        try {
            await keepCard(section.querySelector('canvas'), section.dataset)
            said.textContent = section.dataset.kept
        } catch {
            said.textContent = section.dataset.failed
        }
        show()
    })
    off.addEventListener('click', async () => {
        await forgetCard(section.dataset.id)
        said.textContent = section.dataset.gone
        show()
    })
    show()
}
