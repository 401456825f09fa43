// One title that nobody can have at the moment: node tests/Hostile/locked.mjs ADDRESS VAR [SECONDS]
// Its row is locked, and four patrons press its button again and again. Whoever reads other pages meanwhile must be
// answered nearly as often as before.
import { execFileSync, spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { Visitor } from './visitor.mjs'

const [base, folder, seconds = '8'] = process.argv.slice(2)
const setting = name => readFileSync(`${folder}/env`, 'utf8').match(new RegExp(`^${name}=(.*)$`, 'm'))[1]

const psql = ['-h', '127.0.0.1', '-p', setting('DB_PORT'), '-U', 'figporch', '-d', 'figporch', '-qAt']
const env = { ...process.env, PGPASSWORD: setting('DB_PASSWORD') }
/** Titles that everybody can borrow: one to be free, one to be locked. */
const [free, locked] = execFileSync(
    'psql',
    [
        ...psql,
        '-c',
        `select li.title_id from licences li join libraries l on l.id = li.library_id join titles t on t.id = li.title_id
            where l.slug = 'saltmere' and li.model = 'simultaneous' and li.ends_at is null and t.audience <> 'adult'
            order by li.title_id limit 2`,
    ],
    { encoding: 'utf8', env },
)
    .trim()
    .split('\n')

const patrons = []
for (let n = 0; n < 4; n++) {
    const patron = new Visitor(base)
    await patron.signIn('patron')
    patrons.push(patron)
}
/** How reading goes for so long: times of all answers, in order. */
const reading = async () => {
    const until = Date.now() + 1000 * Number(seconds)
    const times = []
    await Promise.all(
        Array.from({ length: 2 }, async (_, n) => {
            for (let i = 0; Date.now() < until; i++) {
                const begun = Date.now()
                const answer = await fetch(`${base}/titles/${10 + ((i + n) % 20)}?library=saltmere`)
                await answer.text()
                times.push(answer.ok ? Date.now() - begun : Infinity)
            }
        }),
    )
    return times.sort((a, b) => a - b)
}
const words = times =>
    `${times.length} pages, half within ${times[times.length >> 1]} ms, 19 of 20 within ${times[Math.floor(times.length * 0.95)]} ms`

let pressing = false
const said = {}
const press = async (patron, title) => {
    while (pressing) {
        const answer = await patron.send(`/titles/${title}/borrow`, {}, { signal: AbortSignal.timeout(65_000) })
        await answer.text()
        said[answer.status] = (said[answer.status] ?? 0) + 1
        await wait(100)
    }
}
const around = async (title, lock) => {
    const other = spawn('psql', psql, { env, stdio: ['pipe', 'ignore', 'ignore'] })
    other.stdin.write(`begin; ${lock};\n`)
    await wait(500)
    pressing = true
    const pressed = patrons.map(patron => press(patron, title))
    const times = await reading()
    pressing = false
    other.stdin.end('rollback;\n')
    await Promise.all(pressed)
    return times
}
const before = await around(free, 'select 1')
const pressedBefore = { ...said }
Object.keys(said).forEach(status => delete said[status])
const meanwhile = await around(locked, `select from licences where title_id = ${locked} for update`)
console.log(`free:   ${words(before)}; the button was answered ${JSON.stringify(pressedBefore)}`)
console.log(`locked: ${words(meanwhile)}; the button was answered ${JSON.stringify(said)}`)
const isFine = meanwhile.length > before.length / 2 && meanwhile.at(-1) < Infinity && said[503] > 0
console.log(isFine ? 'reading went on' : 'READING DID NOT GO ON')
process.exit(isFine ? 0 : 1)
