import 'foliate-js/view.js'
import { Appearance } from './appearance.js'
import { Drawers } from './drawers.js'
import { endAt } from './loan-end.js'
import { fill, say } from './notice.js'
import { furthestElsewhere } from '../places/other-devices.js'
import { Pace } from '../places/pace.js'
import { PlaceKeeper } from '../places/place-keeper.js'
import { Positions } from '../places/positions.js'
import { LoanEnded, openPublication } from './publication.js'
import { TextTools } from './text-tools.js'

/** Just before the end: after it stands what is not part of the reading order's line, such as a cover. */
const END = 1 - 1e-6

const $ = id => document.getElementById(id)
const data = JSON.parse($('reader-data').textContent)
const reader = $('reader')
const positions = new Positions(data.positions)
const appearance = new Appearance()

reader.dataset.background = appearance.chosen.background
const drawers = new Drawers()
const view = document.createElement('foliate-view')
const pace = new Pace()
let here = null
let pageLabels = []

const ended = () => location.reload()
endAt(data.due, ended)
const keeper =
    data.keep &&
    new PlaceKeeper({ address: data.keep, token: data.token, onEnded: ended, onOffline: () => say(data.texts.offline) })

// ---- Where we are

const minutes = n =>
    n < 60 ? `${Math.max(1, Math.round(n))} min` : `${Math.floor(n / 60)} h ${Math.round(n % 60)} min`

/** The page that a place carries, or its position. */
const pageOf = ({ locations }) => locations.fragments?.find(f => f.startsWith('page='))?.slice(5) ?? locations.position

/** The page: by the publication's own list the label where the view begins, else the position. */
const pageNow = (locator, pageItem) =>
    pageLabels.length
        ? { page: pageItem?.label ?? pageLabels[0].label, pages: pageLabels.at(-1).label }
        : { page: locator.locations.position, pages: positions.total }

/** What is left of the chapter and of the book, at this reader's own pace. */
const showTimeLeft = (chapter, book) => {
    const shown =
        book < 0.5
            ? ''
            : fill(chapter < 0.5 || book - chapter < 0.5 ? data.texts.time_left : data.texts.time_left_both, {
                  time: minutes(book),
                  chapter: minutes(chapter),
              })
    $('left').textContent = shown && `· ${shown}`
}

view.addEventListener('relocate', ({ detail }) => {
    // Before its columns are laid out a document is nowhere yet: it is told again when they are.
    if (!view.isFixedLayout && !Number.isFinite(detail.fraction ?? 0)) return
    const index = detail.section?.current ?? detail.index ?? 0
    const sectionSizes = view.book.sections.map(s => (s.linear === 'no' ? 0 : s.size))
    const total = sectionSizes.reduce((a, b) => a + b, 0) || 1
    const before = sectionSizes.slice(0, index).reduce((a, b) => a + b, 0)
    const within = view.isFixedLayout ? 0 : ((detail.fraction ?? 0) * total - before) / (sectionSizes[index] || 1)
    const locator = positions.locator(
        positions.indexOf(index, view.book.sections[index]?.id),
        within,
        detail.cfi && !data.pdf ? [detail.cfi] : [],
        data.pdf ? 'application/pdf' : undefined,
    )
    const { page, pages } = pageNow(locator, detail.pageItem)
    locator.locations.fragments = [...(locator.locations.fragments ?? []), `page=${page}`]
    $('progress').value = view.isFixedLayout ? (index + 1) / positions.total : (detail.fraction ?? 0)
    $('chapter').textContent = detail.tocItem?.label ? `${detail.tocItem.label} ·` : ''
    $('page-of').textContent = fill(data.texts.page_of, { page, pages })
    if (!view.isFixedLayout) {
        const done = before + within * (sectionSizes[index] ?? 0)
        pace.turn(done)
        showTimeLeft(pace.minutes(before + (sectionSizes[index] ?? 0) - done), pace.minutes(total - done))
    }
    drawers.mark(detail.tocItem?.href)
    // The first place is where we were put, not somewhere we have gone.
    if (here && keeper) keeper.keep(locator)
    here = locator
})

// ---- Turning pages

const atEdge = (x, width) => (x < width * 0.3 ? 'left' : x > width * 0.7 ? 'right' : 'middle')
/** One after the other: foliate drops what is asked for while it turns a page. */
let going = Promise.resolve()
const go = act => (going = going.then(act).catch(() => {}))
/** A turn of the page; no more than two wait, or a key held down would run on. */
let waiting = 0
const inTurn = act => () => {
    if (waiting > 2) return
    waiting++
    go(act).finally(() => waiting--)
}
const turn = {
    left: inTurn(() => view.goLeft()),
    right: inTurn(() => view.goRight()),
    back: inTurn(() => view.prev()),
    on: inTurn(() => view.next()),
    middle: () => reader.classList.toggle('bare'),
}

const onKey = event => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest?.('input[type=text], textarea, select'))
        return
    if (event.key.startsWith('Arrow') && event.target.localName === 'table') return
    if (
        !event.target.closest?.('.drawer, .selection-bar, button, a') &&
        !tools.textView?.open &&
        tools.selectByKey(event)
    )
        return event.preventDefault()
    const inDrawer = event.target.closest?.('.drawer')
    const acts = {
        ArrowLeft: turn.left,
        ArrowRight: turn.right,
        PageUp: turn.back,
        PageDown: turn.on,
        ' ': event.shiftKey ? turn.back : turn.on,
        Home: inTurn(() => view.goToFraction(0)),
        End: inTurn(() => view.goToFraction(END)),
        c: () => drawers.toggle('contents'),
        f: () => drawers.toggle('find'),
        m: () => data.marks && drawers.toggle('marks'),
        a: () => drawers.toggle('appearance'),
        t: () => tools.textView?.toggle(),
        r: () => tools.aloud?.toggle(),
        Escape: () => tools.closeOne() || (drawers.open ? drawers.close() : $('close').click()),
    }
    if (inDrawer && !['Escape', 'c', 'f', 'm', 'a'].includes(event.key)) return
    // The text scrolls by the keys that turn pages.
    if (tools.textView?.open && !['Escape', 't', 'a', 'c', 'm'].includes(event.key)) return
    if (event.key === ' ' && event.target.closest?.('button, a')) return
    if (acts[event.key]) {
        event.preventDefault()
        acts[event.key]()
    }
}
addEventListener('keydown', onKey)

view.addEventListener('load', ({ detail: { doc, index } }) => {
    doc.addEventListener('keydown', onKey)
    tools.watch(doc, index)
    // A table that scrolls can be scrolled by keys.
    setTimeout(() => {
        for (const table of doc.querySelectorAll('table'))
            if (table.scrollWidth > table.clientWidth + 1) table.tabIndex = 0
    }, 300)
    doc.addEventListener('click', event => {
        if (event.target.closest('a[href]') || doc.getSelection()?.type === 'Range') return
        if (tools.takesClick()) return
        const frame = doc.defaultView.frameElement.getBoundingClientRect()
        const box = $('page').getBoundingClientRect()
        const scale = frame.width / doc.defaultView.innerWidth || 1
        if (appearance.chosen.layout === 'scroll' && !view.isFixedLayout) turn.middle()
        else turn[atEdge(frame.left + event.clientX * scale - box.left, box.width)]()
    })
    if (view.isFixedLayout) swipe(doc)
})
$('page').addEventListener('click', event => {
    if (event.target === $('page') || event.target === view) turn[atEdge(event.clientX, innerWidth)]()
})
$('back-page').onclick = turn.back
$('next-page').onclick = turn.on

// Reflowable text is swiped by foliate's own renderer; fixed pages are swiped here.
const swipe = target => {
    let start = null
    target.addEventListener(
        'touchstart',
        e => {
            start = e.touches.length === 1 ? e.touches[0].screenX : null
        },
        { passive: true },
    )
    target.addEventListener('touchend', e => {
        const moved = start === null ? 0 : e.changedTouches[0].screenX - start
        if (Math.abs(moved) > 40) turn[moved < 0 ? 'right' : 'left']()
    })
}

// ---- What is done with the text

/** The place where a range begins, with its page. */
const locate = (index, range) => {
    const doc = range.startContainer.ownerDocument
    const before = doc.createRange()
    before.selectNodeContents(doc.body)
    before.setEnd(range.startContainer, range.startOffset)
    const locator = positions.locator(
        positions.indexOf(index, view.book.sections[index]?.id),
        before.toString().length / (doc.body.textContent.length || 1),
        [view.getCFI(index, range)],
    )
    const { tocItem, pageItem } = view.getProgressOf(index, range)
    const { page, pages } = pageNow(locator, pageItem)
    locator.locations.fragments.push(`page=${page}`)
    return {
        locator,
        page,
        section: tocItem?.label ?? '',
        label: fill(data.texts.page_of, { page, pages }) + (tocItem?.label ? `, ${tocItem.label}` : ''),
    }
}

const tools = new TextTools({
    view,
    reader,
    data,
    drawers,
    appearance,
    go,
    locate,
    here: () => here,
    pageLabels: () => pageLabels,
    where: () => ({
        locator: here,
        label:
            $('page-of').textContent.trim() +
            ($('chapter').textContent ? `, ${$('chapter').textContent.replace(/ ·$/, '')}` : ''),
    }),
    goToPlace: locator => goToPlace(locator),
})

// ---- Contents and pages

$('go-to-page').addEventListener('submit', event => {
    event.preventDefault()
    const wanted = $('page-number').value.trim()
    const label = pageLabels.find(p => p.label === wanted)
    const number = Number(wanted)
    if (label) go(() => view.goTo(label.href))
    else if (!pageLabels.length && Number.isInteger(number) && number >= 1 && number <= positions.total) {
        const { index, progression } = positions.at(number)
        go(() => view.renderer.goTo({ index, anchor: progression }))
    } else {
        $('page-answer').textContent = fill(data.texts.no_such_page, { page: wanted })
        return
    }
    $('page-answer').textContent = ''
    drawers.close()
})

const restyle = () => {
    appearance.apply(view, reader)
    if ($('text-view')) $('text-view').style.fontSize = `${appearance.chosen.size * 0.19}px`
}
appearance.follow($('appearance-form'), $('size'), restyle)

// ---- Opening

const startingPlace = () => (keeper ? keeper.newest(data.place, data.placed_at) : data.place)

const goToPlace = async place => {
    const cfi = place.locations.fragments?.find(f => f.startsWith('epubcfi('))
    if (cfi) {
        try {
            await view.goTo(cfi)
            return
        } catch {
            /* The file has changed since; the progression still tells. */
        }
    }
    const index = data.pdf
        ? (place.locations.position ?? 1) - 1
        : Math.max(
              0,
              view.book.sections.findIndex(s => s.id === place.href),
          )
    await view.renderer.goTo({ index, anchor: place.locations.progression })
}

/** Another device that is further on is offered, never followed by itself. */
const offerOtherDevice = async () => {
    const furthest = await furthestElsewhere(data.places, locator => locator.locations.totalProgression)
    if (furthest && furthest.locator.locations.totalProgression > here.locations.totalProgression + 0.005) {
        say(
            fill(data.texts.elsewhere, {
                device: data.texts.devices[furthest.device_name] ?? furthest.device_name,
                page: pageOf(furthest.locator),
            }),
            [data.texts.go_there, () => go(() => goToPlace(furthest.locator))],
            [data.texts.stay],
        )
    }
}

const open = async () => {
    // What draws PDF pages is large, and books have no need of it.
    const book = data.pdf ? await (await import('./pdf.js')).openPdf(data, ended) : await openPublication(data, ended)
    $('page').prepend(view)
    await view.open(book)
    pageLabels = (book.pageList ?? []).filter(p => p.label && p.href)
    restyle()
    tools.textView?.fill(book)
    drawers.fillContents(book.toc ?? [], href => {
        drawers.close()
        go(() => view.goTo(href))
    })
    const place = startingPlace()
    if (place) await goToPlace(place)
    else await view.init({ showTextStart: false })
    $('opening').remove()
    tools.start()
    reader.dataset.ready = 'yes'
    keeper?.send()
    offerOtherDevice()
}

open().catch(error => {
    if (error instanceof LoanEnded) return
    console.error(error)
    if ($('opening')) $('opening').textContent = data.texts.cannot_open
})
