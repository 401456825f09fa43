import assert from 'node:assert/strict'
import test from 'node:test'
import { Timeline, clock } from '../../resources/js/reading/player/timeline.js'

const parts = new Timeline([{ seconds: 90 }, { seconds: 30.5 }, { seconds: 600 }])

test('parts follow one another as one whole', () => {
    assert.equal(parts.total, 720.5)
    assert.equal(parts.whole(2, 5), 125.5)
    assert.deepEqual(parts.at(0), { part: 0, seconds: 0 })
    assert.deepEqual(parts.at(90), { part: 1, seconds: 0 }, 'a part begins where the one before ends')
    assert.deepEqual(parts.at(720.5), { part: 2, seconds: 600 })
    assert.deepEqual(parts.at(-4), { part: 0, seconds: -4 }, 'before the beginning is in the first')
})

test('every moment comes back', () => {
    for (let at = 0; at <= parts.total; at += 7.25) {
        const { part, seconds } = parts.at(at)
        assert.equal(parts.whole(part, seconds), at)
    }
})

test('times are read as on a clock', () => {
    assert.deepEqual([0, 59.9, 60, 3599, 3600, 36_061, -5].map(clock), [
        '0:00',
        '0:59',
        '1:00',
        '59:59',
        '1:00:00',
        '10:01:01',
        '0:00',
    ])
})

test('a place is found by its second, else by its share of the part, else by its share of the whole', () => {
    const album = new Timeline([
        { path: 'a.mp3', seconds: 100 },
        { path: 'b.mp3', seconds: 300 },
    ])
    const place = (href, locations) => album.ofPlace({ href, locations })
    assert.equal(place('b.mp3', { fragments: ['x', 't=12.5'], progression: 0.9, totalProgression: 0.9 }), 112.5)
    assert.equal(place('b.mp3', { progression: 0.5, totalProgression: 0.1 }), 250)
    assert.equal(place('gone.mp3', { fragments: ['t=3'], progression: 0.5, totalProgression: 0.25 }), 100)
})
