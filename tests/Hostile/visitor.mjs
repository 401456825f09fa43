// Somebody at the library's door, without a browser: cookies are kept, forms carry their token.
import { execFileSync } from 'node:child_process'

export const artisan = (...words) => execFileSync('bin/artisan', words, { encoding: 'utf8' }).trim()

/**
 * What the nightly audit finds wrong, line by line. Of a mail that was under way when its process was killed it rightly
 * says that nobody knows whether it went; that is no figure that is off.
 */
export const audit = () => {
    let said
    try {
        said = artisan('lending:audit')
    } catch (fault) {
        said = fault.stdout.trim()
    }
    return said.split('\n').filter(line => !/agrees with a recount|nobody knows whether it went/.test(line))
}

export class Visitor {
    cookies = new Map()

    constructor(base, library = 'saltmere') {
        this.base = base
        this.cookies.set('library', library)
    }

    async ask(path, options = {}) {
        const response = await fetch(this.base + path, {
            redirect: 'manual',
            ...options,
            headers: { Cookie: [...this.cookies].map(of => of.join('=')).join('; '), ...options.headers },
        })
        for (const line of response.headers.getSetCookie()) {
            const [name, value] = line.split(';')[0].split('=')
            this.cookies.set(name, value)
        }
        return response
    }

    /** A form of the page that was asked for. */
    async send(path, fields = {}, options = {}) {
        return this.ask(path, {
            method: 'POST',
            body: new URLSearchParams({ _token: this.token ?? '', ...fields }),
            ...options,
        })
    }

    async open(path) {
        const response = await this.ask(path)
        const text = await response.text()
        this.token = text.match(/name="_token" value="([^"]+)"/)?.[1] ?? this.token
        return { status: response.status, text, location: response.headers.get('Location') }
    }

    /** With a card of a new patron, or as staff. */
    async signIn(as) {
        const desk = as === 'staff' ? '/desk' : ''
        const [number, pin] = desk ? [] : artisan('demo:card', 'saltmere').split(' ')
        await this.open(`${desk}/sign-in`)
        const answer = await this.send(
            `${desk}/sign-in`,
            desk ? { email: 'halvard@saltmere.example', password: 'nine lanterns at dusk' } : { number, pin },
        )
        if (answer.status !== 302 || answer.headers.get('Location').includes('sign-in')) {
            throw new Error(`Signing in as ${as} was answered with ${answer.status}.`)
        }
        await this.open(desk ? '/desk/licences' : '/settings')
        return number
    }
}
