import assert from 'node:assert/strict'
import test from 'node:test'
import { PlaceKeeper } from '../../resources/js/reading/places/place-keeper.js'
import { Settings } from '../../resources/js/reading/player/settings.js'
import { afterSilence } from '../../resources/js/reading/player/silences.js'
import { SleepTimer } from '../../resources/js/reading/player/sleep-timer.js'

const store = () => {
    const kept = new Map()
    return {
        getItem: key => kept.get(key) ?? null,
        setItem: (key, value) => kept.set(key, value),
        removeItem: key => kept.delete(key),
    }
}

/** A page without any field, whose browser keeps what it is told. */
const page = () => {
    globalThis.localStorage = store()
    globalThis.sessionStorage = store()
    globalThis.document = { querySelectorAll: () => [], getElementById: () => null, addEventListener: () => {} }
    globalThis.addEventListener = () => {}
}

test('what is chosen for playing stays within its limits, whatever is typed or kept', () => {
    page()
    const settings = new Settings()
    assert.deepEqual([settings.get('speed'), settings.get('back'), settings.get('level')], [1, 15, true])
    for (const [name, typed, stands] of [
        ['speed', '1.15', 1.15],
        ['speed', '9', 3],
        ['speed', 1.1 + 0.05, 1.15],
        ['back', '', 15],
        ['back', '-4', 1],
        ['on', '30', 30],
        ['on', 'soon', 15],
        ['volume', 0.45, 0.45],
        ['level', false, false],
        ['shorten', 'yes', false],
    ]) {
        settings.set(name, typed)
        assert.equal(settings.get(name), stands, `${name} ${typed}`)
    }
    assert.equal(new Settings().get('speed'), 1.15, 'kept')
    for (const spoilt of ['{', 'null', '[]', '"x"', '{"speed":"fast","level":1,"volume":null}']) {
        localStorage.setItem('playing', spoilt)
        const { speed, level, volume } = Object.fromEntries(
            ['speed', 'level', 'volume'].map(name => [name, new Settings().get(name)]),
        )
        assert.deepEqual([speed, level, volume], [1, true, 1], spoilt)
    }
})

test('a silence is left out but for its edges, and nothing that is heard ever is', () => {
    const STEP = 0.05
    for (let tries = 0; tries < 300; tries++) {
        const silences = []
        for (let at = Math.random() * 2; silences.length < 20; at = silences.at(-1)[1] + 0.1 + Math.random() * 5)
            silences.push([at, at + 1 + Math.random() * 3])
        const left = []
        for (let at = 0; at < silences.at(-1)[1] + 3; at += STEP) {
            const to = afterSilence(silences, at)
            if (to === null) continue
            const [from, until] = silences.find(([from, until]) => from < at && to < until) ?? assert.fail('heard')
            assert.ok(to > at, 'only ever on')
            assert.ok(at - from < 0.2 + STEP && until - to < 0.2 + STEP, 'its edges are short')
            left.push(from)
            at = to
        }
        assert.deepEqual(
            left,
            silences.map(([from]) => from),
            'each once',
        )
    }
    assert.equal(afterSilence([], 3), null)
})

test('the sleep timer stops on time, grows softer before, and goes on from page to page', t => {
    page()
    t.mock.timers.enable({ apis: ['setTimeout', 'Date'] })
    const fades = []
    let stopped = 0
    const of = {
        texts: { stops_in: ':minutes', stops_soon: 'soon' },
        stop: () => stopped++,
        fade: to => fades.push(to),
    }
    sessionStorage.setItem('sleep', JSON.stringify({ choice: 'own', until: Date.now() + 60_000 }))
    new SleepTimer(of)
    t.mock.timers.tick(49_000)
    assert.ok(fades.every(to => to === 1))
    t.mock.timers.tick(6000)
    assert.ok(fades.at(-1) < 0.6 && fades.at(-1) > 0.4)
    assert.equal(stopped, 0)
    t.mock.timers.tick(6000)
    assert.equal(stopped, 1)
    assert.equal(fades.at(-1), 1, 'what is played next is as loud as ever')
    assert.equal(sessionStorage.getItem('sleep'), null)

    sessionStorage.setItem('sleep', JSON.stringify({ choice: '5', until: Date.now() - 1 }))
    new SleepTimer(of)
    t.mock.timers.tick(10_000)
    assert.equal(stopped, 1, 'one that ran out meanwhile stops nothing now')

    sessionStorage.setItem('sleep', JSON.stringify({ choice: 'end', until: null }))
    const timer = new SleepTimer(of)
    assert.equal(timer.endsWithPart(), true)
    assert.equal(timer.endsWithPart(), false)
})

test('what a browser could not send is where one is, unless another device went on since', () => {
    page()
    const at = totalProgression => ({ href: 'a.mp3', locations: { totalProgression } })
    const keeper = () => new PlaceKeeper({ address: '/loans/1/place' })
    const unsent = (progression, read_at) =>
        localStorage.setItem('place:/loans/1/place', JSON.stringify({ locator: at(progression), read_at }))
    assert.deepEqual(keeper().newest(at(0.2), 1000), at(0.2))
    unsent(0.5, 2000)
    assert.deepEqual(keeper().newest(at(0.2), 1000), at(0.5))
    assert.deepEqual(keeper().newest(null, 0), at(0.5))
    assert.deepEqual(keeper().newest(at(0.7), 3000), at(0.7), 'another device is further on')
    // A clock that goes wrong: the library has this device's own last, so what came after it counts.
    localStorage.setItem('last:/loans/1/place', JSON.stringify({ locator: at(0.4), read_at: 1900 }))
    assert.deepEqual(keeper().newest(at(0.4), 9000), at(0.5))
})
