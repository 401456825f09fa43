import assert from 'node:assert/strict'
import test from 'node:test'
import { Pace } from '../../resources/js/reading/places/pace.js'
import { Positions } from '../../resources/js/reading/places/positions.js'

const book = () =>
    new Positions([
        ['cover.xhtml', 1],
        ['one.xhtml', 4],
        ['two.xhtml', 5],
    ])

test('a place is a share of its document, a position, and a share of the whole', () => {
    const { href, locations } = book().locator(1, 0.5, ['epubcfi(/6/4)'])
    assert.equal(href, 'one.xhtml')
    assert.deepEqual(locations, { progression: 0.5, position: 4, totalProgression: 0.3, fragments: ['epubcfi(/6/4)'] })
})

test('a place never leaves its document, whatever is measured', () => {
    for (const progression of [-3, 0, 0.999, 1, 7]) {
        const { locations } = book().locator(1, progression)
        assert.ok(locations.progression >= 0 && locations.progression <= 1)
        assert.ok(locations.position >= 2 && locations.position <= 5, `${progression}: ${locations.position}`)
    }
    assert.equal(book().locator(2, 1).locations.totalProgression, 1)
    assert.equal(book().locator(0, 0).locations.totalProgression, 0)
})

test('each position begins where its locator says', () => {
    const positions = book()
    for (let position = 1; position <= positions.total; position++) {
        const { index, progression } = positions.at(position)
        assert.equal(positions.locator(index, progression).locations.position, position)
    }
})

test('a document that the reading order names twice has one place', () => {
    const positions = book()
    assert.equal(positions.indexOf(1, 'one.xhtml'), 1)
    assert.equal(positions.indexOf(2, 'one.xhtml'), 1)
    assert.equal(positions.indexOf(9, 'elsewhere.xhtml'), 2)
})

/** A reader whose clock is told; what is kept and heard by browsers is made up. */
function reader(kept = null) {
    const store = new Map(kept ? [['pace', JSON.stringify(kept)]] : [])
    let hide = () => {}
    globalThis.localStorage = { getItem: key => store.get(key) ?? null, setItem: (key, value) => store.set(key, value) }
    globalThis.document = { addEventListener: (_, then) => (hide = then) }
    const clock = { now: 0 }
    return { pace: new Pace(() => clock.now), clock, hide: () => hide() }
}

test('until something is known a page takes as long as most take', () => {
    const { pace } = reader()
    assert.equal(Math.round(pace.minutes(1600)), 1)
    assert.equal(Math.round(reader({ bytes: -1, minutes: 0 }).pace.minutes(1600)), 1, 'what is kept may be spoilt')
})

test('who reads twice as fast is soon told so', () => {
    const { pace, clock } = reader()
    for (let page = 0; page <= 120; page++, clock.now += 60_000) pace.turn(page * 3200)
    assert.ok(Math.abs(pace.minutes(3200) - 1) < 0.1, String(pace.minutes(3200)))
})

test('leafing, jumping, going back, a long pause and a hidden page are no reading', () => {
    const untouched = reader().pace.minutes(1600)
    const cases = {
        leafing: (pace, clock) => ((clock.now += 1_000), pace.turn(100)),
        jumping: (pace, clock) => ((clock.now += 60_000), pace.turn(900_000)),
        back: (pace, clock) => ((clock.now += 60_000), pace.turn(-500)),
        pause: (pace, clock) => ((clock.now += 301_000), pace.turn(1600)),
        hidden: (pace, clock, hide) => (hide(), (clock.now += 60_000), pace.turn(3200)),
    }
    for (const [name, act] of Object.entries(cases)) {
        const { pace, clock, hide } = reader()
        pace.turn(0)
        act(pace, clock, hide)
        assert.equal(pace.minutes(1600), untouched, name)
    }
})
