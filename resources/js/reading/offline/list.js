// The page "On this device": what is here, until when, and how much room it takes.

import { waitToListen } from '../player/listening.js'
import { element } from '../reader/element.js'
import { keptCards } from '../../lending/cards/kept-card.js'
import { fill } from '../reader/notice.js'
import { dataSaver, forget, possible, reconcile, setDataSaver } from './device.js'
import { alive, all } from './store.js'
import { progressOf } from './take.js'
import { bytes, day } from './words.js'

const texts = JSON.parse(document.getElementById('offline-texts').textContent)
const $ = id => document.getElementById(id)

const row = async ({ id }) => {
    const loan = (await alive(id)) ?? (await all()).find(known => known.id === id)
    const away = element('button', {
        type: 'button',
        className: 'btn btn-plain',
        textContent: loan.ended ? texts.dismiss : texts.remove,
    })
    away.append(element('span', { className: 'sr-only', textContent: `: ${loan.title}` }))
    away.onclick = async () => {
        await forget(id)
        await show()
        $('heading').focus()
    }
    if (loan.ended)
        return {
            size: 0,
            entry: element(
                'li',
                {},
                element(
                    'div',
                    {},
                    element('h2', { textContent: loan.title }),
                    element('p', { className: 'meta', textContent: texts.ended }),
                ),
                away,
            ),
        }
    const { here } = await progressOf(loan)
    const open = element('a', { className: 'btn', href: loan.address, textContent: texts.open })
    open.append(element('span', { className: 'sr-only', textContent: `: ${loan.title}` }))
    const cover = loan.cover ? [element('img', { src: loan.cover, alt: '', className: 'device-cover' })] : []
    return {
        size: here,
        entry: element(
            'li',
            {},
            ...cover,
            element(
                'div',
                {},
                element('h2', { textContent: loan.title }),
                element('p', {
                    className: 'meta',
                    textContent: [
                        bytes(here),
                        loan.done ? fill(texts.until, { date: day(loan.due) }) : texts.incomplete,
                    ].join(' · '),
                }),
            ),
            ...(loan.done ? [open] : []),
            away,
        ),
    }
}

const show = async () => {
    const rows = await Promise.all((await all()).sort((a, b) => a.title.localeCompare(b.title)).map(row))
    $('list').replaceChildren(...rows.map(({ entry }) => entry))
    $('nothing').hidden = rows.length > 0
    const { quota, usage } = await navigator.storage.estimate()
    $('room').textContent = rows.length
        ? fill(texts.room, { used: bytes(rows.reduce((sum, { size }) => sum + size, 0)), free: bytes(quota - usage) })
        : ''
}

/** Cards are shown as they were drawn, dark on white whatever the scheme. */
const showCards = () => {
    const cards = keptCards()
    $('cards').hidden = cards.length === 0
    $('cards')
        .querySelector('ul')
        .replaceChildren(
            ...cards.map(({ library, name, number, picture }) =>
                element(
                    'li',
                    { className: 'card-here' },
                    element('h3', { textContent: library }),
                    element('p', { textContent: name }),
                    element('img', { src: picture, alt: '' }),
                    element('p', { className: 'number', textContent: number }),
                ),
            ),
        )
}

const showNetwork = () => {
    $('no-network').hidden = navigator.onLine
}

if (possible()) {
    $('no-scripts').hidden = true
    $('data-saver').checked = dataSaver()
    $('data-saver').onchange = () => setDataSaver($('data-saver').checked)
    $('saver').hidden = false
    showCards()
    await show()
    showNetwork()
    addEventListener('online', async () => {
        showNetwork()
        if (await reconcile()) await show()
    })
    addEventListener('offline', showNetwork)
    if (await reconcile()) await show()
    $('heading').dataset.ready = 'yes'
}

waitToListen()
