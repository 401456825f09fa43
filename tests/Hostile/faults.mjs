// Faults under load: node tests/Hostile/faults.mjs ADDRESS VAR RUN [HOW MANY] [SEED]
// Patrons borrow and return all the time while one part after the other is killed, stopped or locked. After each fault
// the library must be usable again by itself; in the end no answer that was given may turn out untrue: nothing lost,
// nothing doubled, no figure wrong.
import { execFileSync, spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { dice } from '../../standins/dice.mjs'
import { artisan, audit, Visitor } from './visitor.mjs'

const [base, folder, run, many = '40', seed = '1'] = process.argv.slice(2)
const roll = dice(Number(seed))
const RECOVERED_WITHIN = 30_000
const PATRONS = 4

const setting = name => readFileSync(`${folder}/env`, 'utf8').match(new RegExp(`^${name}=(.*)$`, 'm'))[1]
const psql = sql =>
    execFileSync(
        'psql',
        ['-h', '127.0.0.1', '-p', setting('DB_PORT'), '-U', 'figporch', '-d', 'figporch', '-qAt', '-c', sql],
        {
            encoding: 'utf8',
            env: { ...process.env, PGPASSWORD: setting('DB_PASSWORD') },
            stdio: ['ignore', 'pipe', 'ignore'],
        },
    ).trim()
const pidIn = file => Number(readFileSync(file, 'utf8').split('\n')[0])
const pidOf = program =>
    Number(
        execFileSync('supervisorctl', ['-c', `${folder}/conf/supervisord.conf`, 'pid', program], { encoding: 'utf8' }),
    )
const childrenOf = pid =>
    readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean).map(Number)
const kill = (pid, signal = 'SIGKILL') => {
    try {
        process.kill(pid, signal)
    } catch (fault) {
        if (fault.code !== 'ESRCH') throw fault
    }
}
const one = list => list[roll(list.length)]
const postmaster = () => pidIn(`${folder}/pg/postmaster.pid`)
/** Somebody else's work that holds on to something for so long. */
const hold = async (sql, seconds) => {
    const other = spawn(
        'psql',
        ['-h', '127.0.0.1', '-p', setting('DB_PORT'), '-U', 'figporch', '-d', 'figporch', '-qAt'],
        { env: { ...process.env, PGPASSWORD: setting('DB_PASSWORD') }, stdio: ['pipe', 'ignore', 'ignore'] },
    )
    other.stdin.write(`begin; ${sql};\n`)
    await wait(1000 * seconds)
    other.stdin.end('rollback;\n')
}
/** A command that is ended while it is at work. */
const cutShort = async (words, after) => {
    const command = spawn('bin/artisan', words, { stdio: 'ignore', detached: true })
    await wait(after)
    try {
        process.kill(-command.pid, 'SIGKILL')
    } catch {
        // It was quicker.
    }
}

const FAULTS = {
    'the master of php-fpm alone': () => kill(pidIn(`${run}/php-fpm.pid`)),
    'a process that answers': () => kill(one(childrenOf(pidIn(`${run}/php-fpm.pid`)))),
    'all processes that answer': () => childrenOf(pidIn(`${run}/php-fpm.pid`)).forEach(pid => kill(pid)),
    'the master of nginx alone': () => kill(pidIn(`${run}/nginx.pid`)),
    'a worker of nginx': () => kill(one(childrenOf(pidIn(`${run}/nginx.pid`)))),
    'the postmaster alone': () => kill(postmaster()),
    'one connection of the database': () => {
        const of = psql(
            "select pid from pg_stat_activity where backend_type = 'client backend' and pid <> pg_backend_pid()",
        ).split('\n')
        kill(Number(one(of)))
    },
    'all connections ended by the database': () =>
        psql(
            "select count(pg_terminate_backend(pid)) from pg_stat_activity where datname = 'figporch' and pid <> pg_backend_pid()",
        ),
    'the database stopped at once': () => kill(postmaster(), 'SIGQUIT'),
    'the database stopped': () => kill(postmaster(), 'SIGINT'),
    'the queue': () => kill(pidOf('app:queue')),
    'the scheduler': () => kill(pidOf('app:scheduler')),
    'a process that answers stands still': async () => {
        const pid = one(childrenOf(pidIn(`${run}/php-fpm.pid`)))
        kill(pid, 'SIGSTOP')
        await wait(3000)
        kill(pid, 'SIGCONT')
    },
    'php-fpm told to begin anew': () => kill(pidIn(`${run}/php-fpm.pid`), 'SIGUSR2'),
    'nginx told to begin anew': () => kill(pidIn(`${run}/nginx.pid`), 'SIGHUP'),
    'the mail server': () => kill(pidOf('mail')),
    'the supplier': () => kill(pidOf('supplier')),
    'the push service': () => kill(pidOf('push')),
    'rows of licences locked': () => hold('select from licences for update', 6),
    'all titles locked': () => hold('lock table titles in access exclusive mode', 5),
    'a card locked': () => hold(`select from cards where number = '${patrons[0].number}' for update`, 6),
    'no connection to be had': async () => {
        const others = Array.from({ length: 70 }, () => hold('select 1', 4))
        await Promise.all(others)
    },
    'the tick cut short': () => cutShort(['lending:tick'], 150 + roll(300)),
    'gathering of the search cut short': () => cutShort(['search:index'], 200 + roll(900)),
    'the supplier’s reading cut short': () => cutShort(['catalogue:read-supplier'], 300 + roll(1500)),
    'what was compiled thrown away': () => artisan('optimize:clear'),
    'three hundred at once': () =>
        Promise.all(
            Array.from({ length: 300 }, () =>
                fetch(base + '/')
                    .then(r => r.text())
                    .catch(() => {}),
            ),
        ),
}

const titles = psql(`select string_agg(id::text, ',') from (select li.title_id id from licences li
    join libraries l on l.id = li.library_id join titles t on t.id = li.title_id
    where l.slug = 'saltmere' and li.model = 'one_copy_one_user' and li.ends_at is null and li.copies_free > 0
        and t.audience <> 'adult' or li.model = 'simultaneous' group by 1 limit 60) x`).split(',')
const patrons = []
for (let n = 0; n < PATRONS; n++) {
    const visitor = new Visitor(base)
    visitor.number = await visitor.signIn('patron')
    patrons.push(visitor)
}
psql(
    `update people set keeps_history = true where id in (select person_id from cards where number in (${patrons.map(p => `'${p.number}'`)}))`,
)

/** What each patron was told, and what was asked for without an answer that one can rely on. */
const ledger = { borrowed: 0, returned: 0, uncertain: 0, refused: 0 }
const told = patrons.map(() => ({ borrowed: [], returned: [] }))
let atWork = true
const times = []
const rounds = patrons.map(async (patron, n) => {
    const dice = roll(1000)
    for (let i = 0; atWork; i++) {
        const title = titles[(n * 17 + i * 7 + dice) % titles.length]
        const begun = Date.now()
        try {
            const answer = await patron.send(`/titles/${title}/borrow`, {}, { signal: AbortSignal.timeout(65_000) })
            await answer.text()
            times.push(Date.now() - begun)
            if (answer.status === 302) {
                const { text } = await patron.open(`/titles/${title}`)
                if (text.includes('is on loan to you.')) {
                    ledger.borrowed++
                    told[n].borrowed.push(title)
                } else {
                    ledger.refused++
                }
            } else {
                answer.status === 503 ? ledger.refused++ : ledger.uncertain++
            }
            const { text } = await patron.open('/loans')
            for (const loan of new Set([...text.matchAll(/\/loans\/(\d+)\//g)].map(of => of[1]))) {
                const returned = await patron.send(`/loans/${loan}/return`, {}, { signal: AbortSignal.timeout(65_000) })
                await returned.text()
                const after = returned.status === 302 ? await patron.open('/loans') : null
                if (after?.status === 200 && !after.text.includes(`/loans/${loan}/read`)) {
                    ledger.returned++
                    told[n].returned.push(loan)
                }
            }
        } catch {
            ledger.uncertain++
            await wait(100)
        }
    }
})

const isUsable = async () => {
    try {
        const [page, loans] = [
            await fetch(`${base}/catalogue?library=saltmere`, { signal: AbortSignal.timeout(3000) }),
            await patrons[0].ask('/loans', { signal: AbortSignal.timeout(3000) }),
        ]
        await page.text()
        await loans.text()
        return page.status === 200 && loans.status === 200
    } catch {
        return false
    }
}
const wrong = []
// Each once, in an order that differs with the seed; then any.
const names = Object.keys(FAULTS)
for (let n = names.length - 1; n > 0; n--) {
    const other = roll(n + 1)
    ;[names[n], names[other]] = [names[other], names[n]]
}
const order = Array.from({ length: Number(many) }, (_, n) => names[n] ?? one(names))
for (const name of order) {
    await wait(300 + roll(700))
    let words = ''
    for (let again = 0; again < 20; again++) {
        try {
            await FAULTS[name]()
            words = ''
            break
        } catch (fault) {
            // What is to be killed is only just coming up again.
            words = ` (${fault.message.split('\n')[0]})`
            await wait(250)
        }
    }
    const begun = Date.now()
    let usable = await isUsable()
    while (!usable && Date.now() - begun < RECOVERED_WITHIN) {
        await wait(50)
        usable = await isUsable()
    }
    console.log(`  ${name}: ${usable ? `usable after ${Date.now() - begun} ms` : 'NOT USABLE AGAIN'}${words}`)
    if (!usable) wrong.push(`${name}: not usable again within ${RECOVERED_WITHIN / 1000} s`)
    if (words) wrong.push(`${name}: could not be done${words}`)
}
await wait(1000)
atWork = false
await Promise.all(rounds)

// The database's word against what was said.
for (const [n, patron] of patrons.entries()) {
    const of = `(select id from cards where number = '${patron.number}')`
    const rows = Number(psql(`select count(*) from loans where card_id in ${of}`))
    const said = told[n].borrowed.length
    if (rows < said) wrong.push(`card ${patron.number}: ${said} loans were said to be made, ${rows} are there`)
    if (rows > said + ledger.uncertain + ledger.refused)
        wrong.push(`card ${patron.number}: ${rows} loans, more than were ever asked for`)
    const open =
        told[n].returned.length === 0
            ? 0
            : Number(psql(`select count(*) from loans where ended_at is null and id in (${told[n].returned})`))
    if (open > 0) wrong.push(`card ${patron.number}: ${open} loans that were said to be returned are open`)
    const twice = Number(
        psql(
            `select count(*) from (select title_id from loans where card_id in ${of} and ended_at is null group by 1 having count(*) > 1) x`,
        ),
    )
    if (twice > 0) wrong.push(`card ${patron.number}: ${twice} titles are on loan twice`)
}
wrong.push(...audit())
times.sort((a, b) => a - b)
console.log(
    `${order.length} faults (seed ${seed}); ${ledger.borrowed} borrowed, ${ledger.returned} returned, ${ledger.refused} told to try again, ${ledger.uncertain} without an answer`,
)
console.log(
    `a borrow took ${times[times.length >> 1]} ms, one in twenty more than ${times[Math.floor(times.length * 0.95)]} ms`,
)
console.log(`${wrong.length} wrong`)
wrong.forEach(line => console.log(`  ${line}`))
process.exit(wrong.length === 0 && ledger.borrowed > 0 ? 0 : 1)
