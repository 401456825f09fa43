import assert from 'node:assert/strict'
import test from 'node:test'
import { Positions } from '../../resources/js/reading/places/positions.js'
import { Keys } from '../../resources/js/reading/reader/keys.js'
import { Turning, edgeAt } from '../../resources/js/reading/reader/turning.js'
import { Whereabouts, minutes, pageOf } from '../../resources/js/reading/reader/whereabouts.js'

/** A view that turns only when it is told to. */
const slowView = () => {
    const view = { turned: [], finish: [] }
    for (const name of ['goLeft', 'goRight', 'prev', 'next', 'goToFraction'])
        view[name] = (...of) =>
            new Promise(done => {
                view.turned.push([name, ...of].join(' '))
                view.finish.push(done)
            })
    return view
}
const settle = () => new Promise(done => setTimeout(done))

test('pages turn one after the other, and a key that is held down does not run on', async () => {
    const view = slowView()
    const turning = new Turning(view, {})
    for (let n = 0; n < 10; n++) turning.on()
    turning.go(async () => view.turned.push('went'))
    await settle()
    assert.deepEqual(view.turned, ['next'], 'the second waits for the first')
    for (let n = 0; n < 5; n++) {
        view.finish.pop()?.()
        await settle()
    }
    assert.deepEqual(view.turned, ['next', 'next', 'next', 'went'])
    turning.toEnd()
    await settle()
    assert.match(view.turned.at(-1), /^goToFraction 0\.999/, 'short of what stands after the end')
})

test('a turn that fails does not stop those after it', async () => {
    const view = slowView()
    view.prev = () => Promise.reject(new Error('no such page'))
    const turning = new Turning(view, {})
    turning.back()
    turning.right()
    await settle()
    assert.deepEqual(view.turned, ['goRight'])
})

test('the edges of a page turn it, and a swipe of more than a little', async () => {
    assert.deepEqual(
        [10, 299, 500, 701].map(x => edgeAt(x, 1000)),
        ['left', 'left', 'middle', 'right'],
    )
    const view = slowView()
    const turning = new Turning(view, {})
    const page = new EventTarget()
    turning.swipe(page)
    const touch = (type, x, fingers = 1) =>
        page.dispatchEvent(
            Object.assign(new Event(type), {
                touches: Array(type === 'touchend' ? 0 : fingers).fill({ screenX: x }),
                changedTouches: [{ screenX: x }],
            }),
        )
    touch('touchstart', 300)
    touch('touchend', 280)
    touch('touchstart', 300, 2)
    touch('touchend', 100)
    await settle()
    assert.deepEqual(view.turned, [])
    touch('touchstart', 300)
    touch('touchend', 200)
    await settle()
    assert.deepEqual(view.turned, ['goRight'])
})

const sections = [
    { id: 'a.xhtml', size: 100 },
    { id: 'cover.xhtml', size: 900, linear: 'no' },
    { id: 'b.xhtml', size: 300 },
]
const whereabouts = (of = {}) =>
    new Whereabouts({
        view: { book: { sections }, isFixedLayout: false, renderer: { atEnd: false, page: 3, pages: 14 } },
        positions: new Positions([
            ['a.xhtml', 1],
            ['cover.xhtml', 1],
            ['b.xhtml', 3],
        ]),
        texts: {
            page_of: 'Page :page of :pages',
            pages_of: 'Pages :page–:last of :pages',
            screen_of: 'screen :screen of :screens',
        },
        pdf: false,
        ...of,
    })

/** A point in a document of two pieces of text: so many characters into the second. */
const point = (lengths, offset) => {
    const doc = { body: {} }
    const nodes = lengths.map(length => ({ length, ownerDocument: doc }))
    doc.createTreeWalker = () => ({
        left: [...nodes],
        nextNode() {
            return this.left.shift() ?? null
        },
    })
    doc.createRange = () => ({
        setStart(node, at) {
            this.point = [node, at]
        },
        collapse() {},
    })
    return { doc, startContainer: nodes[1], startOffset: offset }
}

test('where the view is, is that of the first words in it, in bytes, in positions and in words', () => {
    const first = point([40, 60], 10)
    const at = whereabouts().ofView({ section: { current: 2 }, fraction: 0.9, cfi: 'epubcfi(/6/6)', first })
    assert.equal(at.locator.href, 'b.xhtml')
    assert.equal(at.locator.locations.progression, 0.5)
    assert.equal(at.locator.locations.position, 4)
    assert.deepEqual(at.locator.locations.fragments, ['epubcfi(/6/6)', 'page=4'])
    assert.deepEqual([at.page, at.read, at.done, at.chapter, at.book], ['Page 4 of 5', 0.625, 250, 150, 150])
    assert.equal(at.screen, 'screen 3 of 12')
    assert.equal(pageOf(at.locator), '4')
    assert.equal(pageOf({ locations: { position: 3 } }), 3)
    // What ends on a later page says both.
    const view = { book: { sections }, renderer: {}, getProgressOf: () => ({ pageItem: null }) }
    const range = { cloneRange: () => ({ ...point([40, 60], 55), collapse() {} }) }
    const wide = whereabouts({ view }).ofView({ section: { current: 2 }, fraction: 0.9, first, range })
    assert.equal(wide.page, 'Pages 4–5 of 5')
    assert.deepEqual(wide.locator.locations.fragments, ['page=4'])
    assert.equal(whereabouts().ofView({ section: { current: 2 }, fraction: NaN }), null, 'not laid out yet')
    const last = whereabouts({ view: { book: { sections }, renderer: { atEnd: true, page: 4, pages: 6 } } })
    const end = last.ofView({ section: { current: 2 }, fraction: 1, first: point([40, 60], 50) })
    assert.deepEqual([end.read, end.locator.locations.totalProgression], [1, 1], 'nothing is left to come')
    assert.equal(end.locator.locations.progression, 0.9, 'and the place is that of the first words all the same')
})

test('pages have the labels of the publication’s own list, where it has one', () => {
    const where = whereabouts()
    assert.deepEqual(where.wanted('3'), { index: 2, anchor: 0 })
    for (const none of ['0', '6', '2.5', '', 'iv']) assert.equal(where.wanted(none), null, none)
    where.pageLabels = [
        { label: 'iv', href: 'a.xhtml#iv' },
        { label: '1', href: 'b.xhtml#p1' },
    ]
    assert.deepEqual(where.wanted('iv'), { href: 'a.xhtml#iv' })
    assert.equal(where.wanted('3'), null, 'its own labels alone')
    const place = (href, progression, fragments) => ({ href, locations: { progression, position: 4, fragments } })
    assert.equal(where.pageOf(place('b.xhtml', 0.9)), '1', 'about there')
    assert.equal(where.pageOf(place('a.xhtml', 0)), 'iv')
    assert.equal(where.pageOf(place('a.xhtml', 0, ['page=xi'])), 'xi')
    assert.equal(whereabouts().pageOf(place('b.xhtml', 0.9)), 4)
    assert.equal(where.ofView({ index: 0, fraction: 0, pageItem: null }).page, 'Page iv of 1')
})

test('a place is found by its document, in a PDF by its page', () => {
    const locations = { progression: 0.4, position: 3 }
    const there = whereabouts().sectionOf({ href: 'b.xhtml', locations })
    assert.equal(there.index, 2)
    const { startContainer: text } = point([40, 60], 0)
    assert.deepEqual(there.anchor(text.ownerDocument).point, [text, 0], 'the text that is so far in')
    assert.equal(there.anchor(point([], 0).doc), 0.4, 'a document without text')
    assert.equal(whereabouts().sectionOf({ href: 'gone', locations }), null)
    const { positions } = whereabouts()
    assert.equal(positions.share({ href: 'b.xhtml', locations: { progression: 0.5, totalProgression: 1 } }), 0.7)
    assert.equal(positions.share({ href: 'gone', locations: { totalProgression: 0.6 } }), 0.6)
    const gone = { href: 'gone', locations: { totalProgression: 0.6 } }
    assert.deepEqual(whereabouts().nearest(gone), { index: 2, anchor: 0 }, 'about as far')
    assert.deepEqual(whereabouts().nearest({ locations: {} }), { index: 0, anchor: 0 }, 'the beginning')
    const escaped = whereabouts({ view: { book: { sections: [{ id: 'a%2Bb%20%232.xhtml' }] } } })
    assert.equal(escaped.sectionOf({ href: 'a+b #2.xhtml', locations }).index, 0)
    const fixed = { book: { sections }, isFixedLayout: true }
    assert.deepEqual(whereabouts({ pdf: true, view: fixed }).sectionOf({ href: 'x', locations }), {
        index: 2,
        anchor: 0.4,
    })
})

test('time left is told in minutes and hours', () => {
    assert.deepEqual([0.2, 59.4, 60, 125].map(minutes), ['1 min', '59 min', '1 h 0 min', '2 h 5 min'])
})

/** Presses a key; says what was done. */
const press = (key, { within = '', modifier = null, textOpen = false, selects = false, closes = false } = {}) => {
    const did = []
    const note = name => () => did.push(name)
    const keys = new Keys({
        turning: Object.fromEntries(
            ['left', 'right', 'back', 'on', 'toStart', 'toEnd'].map(name => [name, note(name)]),
        ),
        drawers: { open: null, toggle: name => did.push(name), close: note('close') },
        tools: {
            textView: { open: textOpen, toggle: note('text') },
            aloud: { toggle: note('aloud') },
            selectionKeys: { take: () => selects },
            closeOne: () => closes,
        },
        marks: true,
        leave: note('leave'),
    })
    let prevented = false
    keys.on({
        key,
        shiftKey: modifier === 'shift',
        ctrlKey: modifier === 'ctrl',
        target: { localName: 'div', closest: of => (of.split(', ').includes(within) ? {} : null) },
        preventDefault: () => (prevented = true),
    })
    return [did.join(), prevented]
}

test('keys turn pages and open drawers, but not where one writes or presses', () => {
    assert.deepEqual(press('ArrowRight'), ['right', true])
    assert.deepEqual(press(' ', { modifier: 'shift' }), ['back', true])
    assert.deepEqual(press('f', { modifier: 'ctrl' }), ['', false], 'the browser’s own')
    assert.deepEqual(press('c', { within: 'textarea' }), ['', false])
    assert.deepEqual(press('Escape', { within: 'textarea' }), ['leave', true])
    assert.deepEqual(press(' ', { within: 'button' }), ['', false])
    assert.deepEqual(press('ArrowRight', { within: '.drawer' }), ['', false])
    assert.deepEqual(press('m', { within: '.drawer' }), ['marks', true])
    assert.deepEqual(press('ArrowRight', { textOpen: true }), ['', false], 'the text scrolls')
    assert.deepEqual(press('t', { textOpen: true }), ['text', true])
    assert.deepEqual(press('ArrowRight', { selects: true }), ['', true], 'it moves the selection')
    assert.deepEqual(press('Escape'), ['leave', true])
    assert.deepEqual(press('Escape', { closes: true }), ['', true])
    assert.deepEqual(press('x'), ['', false])
})
