// Many at the same moment: node tests/Hostile/connections.mjs ADDRESS [HOW MANY]
// Each is answered: with the page, or with an honest "busy" that says when to come again. Nobody is cut off.
import { Agent, get } from 'node:http'

const [base, many = '1000'] = process.argv.slice(2)
const agent = new Agent({ maxSockets: Infinity })
const begun = Date.now()
const ask = path =>
    new Promise(settle => {
        const from = Date.now()
        const request = get(base + path, { agent, headers: { Cookie: 'library=saltmere' } }, response => {
            response.resume()
            response.on('end', () =>
                settle({ said: response.statusCode, again: response.headers['retry-after'], took: Date.now() - from }),
            )
            response.on('error', fault => settle({ said: fault.code, took: Date.now() - from }))
        })
        request.on('error', fault => settle({ said: fault.code, took: Date.now() - from }))
    })
const answers = await Promise.all(
    Array.from({ length: Number(many) }, (_, n) => ask(['/', '/catalogue?q=sea', '/catalogue', '/titles/3'][n % 4])),
)
const counts = {}
answers.forEach(({ said }) => (counts[said] = (counts[said] ?? 0) + 1))
const bad = answers.filter(({ said, again }) => said !== 200 && !((said === 503 || said === 429) && again))
const took = answers.map(of => of.took).sort((a, b) => a - b)
console.log(
    `${many} connections at once: ${Object.entries(counts)
        .map(([said, n]) => `${n} × ${said}`)
        .join(
            ', ',
        )}; ${bad.length} cut off; the last answer after ${took.at(-1)} ms, half after ${took[took.length >> 1]} ms`,
)
if (counts[200] === undefined) bad.push('nobody got the page')
// A moment later everything is as before.
const after = await ask('/')
if (after.said !== 200) bad.push(after)
console.log(`${Date.now() - begun} ms in all`)
process.exit(bad.length === 0 ? 0 : 1)
