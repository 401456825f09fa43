// What the player shows of what plays: on its page, and where the device shows it.

import { fill } from '../reader/notice.js'
import { clock } from './timeline.js'

const $ = id => document.getElementById(id)

export class Display {
    constructor(data, timeline) {
        Object.assign(this, { data, timeline, parts: [...document.querySelectorAll('[data-part]')] })
    }

    /** @param {number} whole seconds from the beginning of all parts */
    place(part, whole, rate) {
        const {
            data: { texts, parts },
            timeline: { total },
        } = this
        $('now').textContent = clock(whole)
        $('seek').value = whole
        $('seek').setAttribute(
            'aria-valuetext',
            fill(texts.place_said, {
                time: clock(whole),
                total: clock(total),
                part: parts[this.timeline.at(whole).part].name,
            }),
        )
        $('seek-done').setAttribute('width', (1000 * whole) / (total || 1))
        if ($('part-name') && $('part-name').textContent !== parts[part].name)
            $('part-name').textContent = parts[part].name
        for (const button of this.parts) {
            if (Number(button.dataset.part) === part) button.setAttribute('aria-current', 'true')
            else button.removeAttribute('aria-current')
        }
        navigator.mediaSession?.setPositionState?.({
            duration: total,
            playbackRate: rate,
            position: Math.min(whole, total),
        })
    }

    playing(part, plays) {
        const { texts, parts, people, title, cover } = this.data
        $('play').classList.toggle('is-playing', plays)
        $('play-word').textContent = plays ? texts.pause_playing : texts.play
        if (!navigator.mediaSession) return
        navigator.mediaSession.playbackState = plays ? 'playing' : 'paused'
        navigator.mediaSession.metadata = new MediaMetadata({
            title: parts[part].name,
            artist: people,
            album: title,
            artwork: cover ? [{ src: cover }] : [],
        })
    }
}
