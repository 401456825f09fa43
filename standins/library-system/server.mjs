// A stand-in for a library's own system: speaks SIP2 over TCP, with made-up patrons and copies.
//   node standins/library-system/server.mjs PORT
// Logs in "figporch" with "ropewalk". Numbers that end in 9999 are answered with nonsense, in 9998 not at all.
// Copies are numbered LF…: what ends in 2 or 7 is on loan for twelve days, in 9 lost, all others are in.
import { createServer } from 'node:net'

const port = Number(process.argv[2])
if (!port) {
    console.error('Usage: node standins/library-system/server.mjs PORT')
    process.exit(2)
}

const PATRONS = {
    23000001: { pin: '2914', name: 'Pip Lantry', type: 'CHILD' },
    23000002: { pin: '1165', name: 'Roan Gullick', type: 'STAFF' },
    23000007: { pin: '4071', name: 'Imara Quell', email: 'imara.quell@lantern.example', type: 'ADULT' },
    23000101: { pin: '8812', name: 'Odalys Marrow', email: 'odalys.marrow@lantern.example', type: 'ADULT' },
    23000102: { pin: '3390', name: 'Perrin Vale', type: 'TEEN', expires: '20280630' },
    23000103: {
        pin: '6021',
        name: 'Sorrel Oakes',
        type: 'ADULT',
        blocked: 'Two lanterns and a chart are overdue at Larkspur Ferry.',
    },
    23000104: { pin: '7745', name: 'Íñigo Saltón', type: 'ADULT', expires: '20200131' },
}

const checksum = text => {
    let sum = 0
    for (const byte of Buffer.from(text)) sum += byte
    return (-sum & 0xffff).toString(16).toUpperCase().padStart(4, '0')
}
const date = () => {
    const [day, time] = new Date().toISOString().split('T')
    return `${day.replaceAll('-', '')}    ${time.slice(0, 8).replaceAll(':', '')}`
}
const fieldsOf = (line, from) => {
    const fields = {}
    for (const field of line.slice(from).split('|')) fields[field.slice(0, 2)] ??= field.slice(2)
    return fields
}

/** @returns {string|null} the answer; null for none at all */
function answer(line, session) {
    const code = line.slice(0, 2)
    if (code === '93') {
        const fields = fieldsOf(line, 4)
        session.in = fields.CN === 'figporch' && fields.CO === 'ropewalk'
        return `94${session.in ? 1 : 0}`
    }
    if (!session.in) return '96'
    if (code === '17') {
        const { AO, AB = '' } = fieldsOf(line, 20)
        if (AB.endsWith('9998')) return null
        if (AB.endsWith('9999')) return 'the tide is out'
        const isKnown = AB.startsWith('LF')
        const status = { 2: '04', 7: '04', 9: '12' }[AB.at(-1)] ?? '03'
        const due = new Date(Date.now() + 12 * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '')
        return (
            `18${isKnown ? status : '01'}0001${date()}` +
            (isKnown && status === '04' ? `AH${due}    235900|` : '') +
            `AO${AO}|AB${AB}|AJ${isKnown ? 'A book' : ''}|`
        )
    }
    if (code !== '23' && code !== '63') return '96'
    const fields = fieldsOf(line, code === '23' ? 23 : 33)
    if (fields.AA.endsWith('9998')) return null
    if (fields.AA.endsWith('9999')) return 'the tide is out'
    const patron = PATRONS[fields.AA]
    const denied = patron?.blocked ? 'Y' : ' '
    const status = `${denied} ${denied} ${' '.repeat(10)}`.slice(0, 14)
    const pinFits = patron && patron.pin === fields.AD
    const known = [
        `AO${fields.AO}`,
        `AA${fields.AA}`,
        `AE${patron?.name ?? ''}`,
        `BL${patron ? 'Y' : 'N'}`,
        `CQ${pinFits ? 'Y' : 'N'}`,
    ]
    if (patron?.blocked) known.push(`AF${patron.blocked}`)
    if (code === '23') return `24${status}000${date()}${known.join('|')}|`
    if (patron?.email) known.push(`BE${patron.email}`)
    if (patron?.expires) known.push(`PA${patron.expires}`)
    if (patron) known.push(`PC${patron.type}`)
    return `64${status}000${date()}${'0000'.repeat(6)}${known.join('|')}|`
}

createServer(socket => {
    const session = { in: false }
    let waiting = ''
    socket.setEncoding('utf8')
    socket.on('error', () => socket.destroy())
    socket.on('data', part => {
        waiting += part
        let end
        while ((end = waiting.search(/[\r\n]/)) >= 0) {
            const line = waiting.slice(0, end)
            waiting = waiting.slice(end + 1)
            const sent = /^(.*)AY(\d)AZ([0-9A-F]{4})$/s.exec(line)
            if (!sent || checksum(line.slice(0, -4)) !== sent[3]) {
                if (line) socket.write('96AZFEF6\r')
                continue
            }
            const text = answer(sent[1], session)
            if (text === null) continue
            if (!/^\d\d/.test(text)) {
                socket.write(`${text}\r`)
                continue
            }
            const whole = `${text}AY${sent[2]}AZ`
            socket.write(`${whole}${checksum(whole)}\r`)
        }
    })
}).listen(port, '127.0.0.1', () => console.log(`A library's own system answers at 127.0.0.1:${port}`))
