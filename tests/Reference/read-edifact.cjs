// Reads an interchange from standard input with npm's "edifact", which knows the segments and elements of UN/EDIFACT,
// and holds its one message against the segment table of ORDERS, directory D.96A. Writes the segments as JSON.
const fs = require('node:fs')
const Parser = require('edifact/parser.js')
const Tracker = require('edifact/tracker.js')
const Validator = require('edifact/validator.js')

const validator = new Validator()
validator.define(require('edifact/segments.js'))
validator.define(require('edifact/elements.js'))
const parser = new Parser(validator)
parser.encoding('UNOC')
const tracker = new Tracker(require('edifact/messages/ORDERS.json'))
const segments = []
parser.on('opensegment', name => {
    if (name !== 'UNB' && name !== 'UNZ') tracker.accept(name)
    segments.push([name, []])
})
parser.on('element', () => segments.at(-1)[1].push([]))
parser.on('component', data => segments.at(-1)[1].at(-1).push(data))
parser.write(fs.readFileSync(0, 'latin1'))
parser.end()
fs.writeSync(1, JSON.stringify(segments))
