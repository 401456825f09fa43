// Processes die without warning in the middle of a storm: nothing that was answered is lost, and nothing happens twice.
// Runs alone, after the other tests, on the whole application as supervised by bin/start.
import { execFileSync, execSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, request, test } from '@playwright/test'
import { ALL_CARDS } from './library.js'

const VAR = process.env.FIGPORCH_VAR ?? 'var'
const pause = ms => new Promise(done => setTimeout(done, ms))
const quietly = command => {
    try {
        return execSync(command, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim()
    } catch {
        return ''
    }
}
const supervised = name => quietly(`supervisorctl -c ${VAR}/conf/supervisord.conf pid ${name}`)
const kill = pids => pids && quietly(`kill -9 ${pids.replaceAll('\n', ' ')}`)
const postmaster = () => readFileSync(join(VAR, 'pg/postmaster.pid'), 'utf8').split('\n')[0]

// A fixed seed: the same choices each time, if not in the same order between patrons.
const dice = seed => () => (seed = (Math.imul(seed, 1103515245) + 12345) >>> 0) / 4294967296

/** One patron who borrows, returns and places holds as fast as answers come, and remembers what was answered. */
class Patron {
    constructor([library, number, pin], titles, seed) {
        Object.assign(this, {
            library,
            number,
            pin,
            titles,
            random: dice(seed),
            sure: new Map(),
            answered: 0,
            failed: 0,
        })
    }

    async signIn(baseURL) {
        this.web = await request.newContext({ baseURL })
        const page = await (await this.web.get(`/sign-in?library=${this.library}`)).text()
        this.token = page.match(/name="csrf-token" content="([^"]+)"/)[1]
        const answer = await this.post('/sign-in', { number: this.number, pin: this.pin })
        this.token = (await answer.text()).match(/name="csrf-token" content="([^"]+)"/)[1]
    }

    post(address, form = {}) {
        return this.web.post(address, { form: { _token: this.token, ...form }, timeout: 20_000 })
    }

    async loans() {
        const page = await (await this.web.get('/loans', { timeout: 20_000 })).text()
        return new Map(
            [...page.matchAll(/data-loan="(\d+)" data-title="(\d+)"/g)].map(([, loan, title]) => [title, loan]),
        )
    }

    /** What a title is known to be: true on loan, false not; null when an answer did not come. */
    async act() {
        const title = this.titles[Math.floor(this.random() * this.titles.length)]
        const chance = this.random()
        if (chance < 0.55) {
            const page = await this.about(title, () => this.post(`/titles/${title}/borrow`))
            if (page?.includes('is on loan to you')) this.sure.set(title, true)
        } else if (chance < 0.85) {
            const [own, loan] = [...(await this.loans())][0] ?? []
            if (!loan) return
            const page = await this.about(own, () => this.post(`/loans/${loan}/return`))
            if (page?.includes('is returned')) this.sure.set(own, false)
        } else {
            await this.about(title, () => this.post(`/titles/${title}/hold`))
        }
    }

    async about(title, ask) {
        this.sure.set(title, null)
        const answer = await ask()
        if (answer.status() >= 500) throw new Error(`answered ${answer.status()}`)
        this.answered++
        return answer.text()
    }

    async storm(until) {
        while (Date.now() < until) {
            try {
                await this.act()
            } catch {
                this.failed++
                await pause(200)
            }
        }
    }
}

test('web server processes, workers and the database are killed in the middle of a storm', async ({ baseURL }) => {
    test.skip(!process.env.FIGPORCH_VAR, 'needs the application that bin/test starts')
    const guest = await request.newContext({ baseURL })
    const patrons = []
    for (const [n, card] of ALL_CARDS.entries()) {
        const listed = await (await guest.get(`/catalogue?library=${card[0]}&order=most_borrowed`)).text()
        const titles = [...new Set([...listed.matchAll(/data-title="(\d+)"/g)].map(m => m[1]))]
        expect(titles.length).toBeGreaterThan(5)
        patrons.push(new Patron(card, titles, n + 1))
        await patrons[n].signIn(baseURL)
    }

    const storm = Promise.all(patrons.map(p => p.storm(Date.now() + 30_000)))
    const killed = []
    const killing = (what, pids) => {
        if (pids) {
            kill(pids)
            killed.push(what)
        }
    }
    await pause(3000)
    killing('answering processes', quietly(`pgrep -P ${supervised('app:php-fpm')}`))
    await pause(3000)
    killing('queue worker', supervised('app:queue'))
    killing('scheduler', supervised('app:scheduler'))
    await pause(3000)
    killing('a database connection', quietly(`pgrep -P ${postmaster()} | tail -n 1`))
    await pause(5000)
    killing('the database', postmaster())
    await pause(6000)
    const master = supervised('app:php-fpm')
    killing('php-fpm and its processes', `${quietly(`pgrep -P ${master}`)}\n${master}`)
    killing('queue worker', supervised('app:queue'))
    await storm
    expect(killed).toHaveLength(7)

    await expect.poll(async () => (await guest.get('/up').catch(() => null))?.status(), { timeout: 60_000 }).toBe(200)
    const answered = patrons.reduce((n, p) => n + p.answered, 0)
    expect(answered, 'the storm blew').toBeGreaterThan(100)
    expect(
        patrons.reduce((n, p) => n + p.failed, 0),
        'something was hit',
    ).toBeGreaterThan(0)

    // What was answered stands. A loan can end by itself only at its due time, which is a day away at least.
    for (const patron of patrons) {
        const loans = await patron.loans()
        for (const [title, onLoan] of patron.sure) {
            if (onLoan !== null) expect(loans.has(title), `card ${patron.number}, title ${title}`).toBe(onLoan)
        }
    }
    // Pauses, promotions and jobs that died with their process are made up for.
    await expect
        .poll(() => execFileSync('bin/artisan', ['lending:tick'], { encoding: 'utf8' }), { timeout: 30_000 })
        .toContain('loans ended')
    expect(execFileSync('bin/artisan', ['lending:audit'], { encoding: 'utf8' })).toContain('Every figure agrees')
    const mail = readdirSync(join(VAR, 'outbox')).map(
        name => readFileSync(join(VAR, 'outbox', name), 'utf8').match(/^Message-ID: (.*)$/im)[1],
    )
    expect(mail.length).toBe(new Set(mail).size)
})
