// The small player: what was heard on the page before goes on at the edge of this one.

import { isForgotten } from '../marks/kept.js'
import { listenNoMore, listening } from './listening.js'
import { Player } from './player.js'

/** Puts it there, if something is listened to in this window. */
export const showSmallPlayer = async () => {
    const now = listening()
    if (!now) return
    const response = await fetch(now.address, { headers: { Accept: 'text/html' } }).catch(() => null)
    if (!response?.ok || response.redirected) {
        // Signed out, or the loan is over; without a network it may come back.
        if (response) listenNoMore()
        return
    }
    const html = new DOMParser().parseFromString(await response.text(), 'text/html')
    const bar = html.getElementById('player')
    if (!bar || document.getElementById('player') || isForgotten()) return
    document.body.append(document.importNode(bar, true))
    const player = new Player(JSON.parse(document.getElementById('player-data').textContent))
    document.getElementById('stop').onclick = () => {
        player.pause()
        listenNoMore()
        document.getElementById('player').remove()
    }
    await player.open()
    if (now.plays && !isForgotten()) player.playIfAllowed()
}
