// A stand-in for a mail server: takes messages on loopback and shows them in the browser.
//   node standins/mail/server.mjs SMTP-PORT OUTBOX-PORT FOLDER
import { createServer } from 'node:http'
import { mkdir, readFile, readdir, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'

const [smtpPort, outboxPort, folder] = process.argv.slice(2)
if (!Number(smtpPort) || !Number(outboxPort) || !folder) {
    console.error('Usage: node standins/mail/server.mjs SMTP-PORT OUTBOX-PORT FOLDER')
    process.exit(2)
}
await mkdir(folder, { recursive: true })
let taken = 0

const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: 40_000_000,
    async onData(stream, session, done) {
        try {
            const chunks = []
            for await (const chunk of stream) chunks.push(chunk)
            const name = `${Date.now()}-${String(++taken).padStart(5, '0')}.eml`
            await writeFile(join(folder, name), Buffer.concat(chunks))
            done()
        } catch (error) {
            done(error)
        }
    },
})
smtp.on('error', error => console.error(error.message))
smtp.listen(Number(smtpPort), '127.0.0.1', () => console.log(`taking mail on 127.0.0.1:${smtpPort}`))

const escape = text => String(text ?? '').replace(/[&<>"']/g, c => `&#${c.charCodeAt(0)};`)

const page = (title, body) => `<!doctype html><html lang="en"><meta charset="utf-8"><title>${escape(title)}</title>
<meta name="viewport" content="width=device-width"><style>
body{font:16px/1.5 system-ui,sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;
    color:#22292f;background:#fbf8f1}
li{margin:.6rem 0}pre{white-space:pre-wrap;background:#fff;border:1px solid #d9d1bf;border-radius:12px;padding:1rem}
.soft{color:#5b6166}a{color:#153740}</style><main>${body}</main></html>`

const read = async name => simpleParser(await readFile(join(folder, name)))

const outbox = createServer(async (request, response) => {
    response.setHeader('Content-Type', 'text/html; charset=utf-8')
    response.setHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'")
    try {
        const name = decodeURIComponent(new URL(request.url, 'http://outbox').pathname.slice(1))
        if (name === '') {
            const names = (await readdir(folder))
                .filter(n => n.endsWith('.eml'))
                .sort()
                .reverse()
            const rows = await Promise.all(
                names.slice(0, 200).map(async n => {
                    const mail = await read(n)
                    const sent = escape(mail.date?.toISOString().replace('T', ' ').slice(0, 16))
                    return `<li><a href="${encodeURIComponent(n)}">${escape(mail.subject)}</a>
                    <div class="soft">to ${escape(mail.to?.text)} · ${sent}</div></li>`
                }),
            )
            response.end(
                page(
                    'Outbox',
                    `<h1>Outbox</h1>
                <p class="soft">Mail that the library has sent. Nothing here leaves this machine.</p>
                ${rows.length ? `<ol reversed>${rows.join('')}</ol>` : '<p>No mail has been sent yet.</p>'}`,
                ),
            )
            return
        }
        if (!/^\d+-\d+\.eml$/.test(name)) throw new Error('no such message')
        const mail = await read(name)
        response.end(
            page(
                mail.subject,
                `<p><a href="./">All mail</a></p><h1>${escape(mail.subject)}</h1>
            <p class="soft">from ${escape(mail.from?.text)} to ${escape(mail.to?.text)}</p>
            <pre>${escape(mail.text)}</pre>`,
            ),
        )
    } catch {
        response.statusCode = 404
        response.end(page('Not here', '<h1>Not here</h1><p>There is no such message. <a href="./">All mail</a></p>'))
    }
})
outbox.listen(Number(outboxPort), '127.0.0.1', () => console.log(`showing it on 127.0.0.1:${outboxPort}`))

for (const signal of ['SIGINT', 'SIGTERM']) {
    process.on(signal, () => {
        smtp.close()
        outbox.close()
        setTimeout(() => process.exit(0), 200)
    })
}
