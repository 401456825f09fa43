// A stand-in for a school's sign-in: an OpenID Connect provider (oidc-provider) with made-up pupils and teachers.
//   node standins/school/server.mjs PORT [CALLBACK …]
// One chooses who one is from a list; nobody has a password here.
import { createServer } from 'node:http'
import Provider from 'oidc-provider'

const port = Number(process.argv[2])
if (!port) {
    console.error('Usage: node standins/school/server.mjs PORT [CALLBACK …]')
    process.exit(2)
}
const callbacks = process.argv.slice(3)

const PEOPLE = {
    tamar: { name: 'Tamar Wick', role: 'pupil', class: '7 Gulls' },
    oleander: { name: 'Oleander Pike', role: ['pupil', 'prefect'], class: '8 Terns' },
    brannoc: { name: 'Brannoc Sayle', role: 'teacher' },
    caretaker: { name: 'Merrin Holt', role: 'caretaker' },
}

const provider = new Provider(`http://127.0.0.1:${port}`, {
    clients: [
        {
            client_id: 'fig-porch',
            client_secret: 'chalk-and-low-water',
            redirect_uris: callbacks.length ? callbacks : ['http://127.0.0.1:8080/sign-in/school/callback'],
            grant_types: ['authorization_code'],
            response_types: ['code'],
        },
    ],
    cookies: { keys: ['the tide comes in twice a day'] },
    pkce: { required: () => true },
    claims: { openid: ['sub'], profile: ['name', 'role', 'class'] },
    // What is asked for comes with the token itself.
    conformIdTokenClaims: false,
    features: { devInteractions: { enabled: false } },
    interactions: { url: (_, interaction) => `/who/${interaction.uid}` },
    findAccount: (_, id) => PEOPLE[id] && { accountId: id, claims: async () => ({ sub: id, ...PEOPLE[id] }) },
    // Whoever signs in here has agreed already.
    async loadExistingGrant(context) {
        const { Grant } = context.oidc.provider
        const grant = new Grant({ clientId: context.oidc.client.clientId, accountId: context.oidc.session.accountId })
        grant.addOIDCScope('openid profile')
        await grant.save()
        return grant
    },
})

const page = body => `<!doctype html><html lang="en"><meta charset="utf-8"><title>Cinder Point School</title>
<meta name="viewport" content="width=device-width"><style>body{font:18px system-ui;max-width:30rem;margin:3rem auto;
padding:0 1rem}button{display:block;width:100%;margin:.5rem 0;padding:.8rem;font:inherit;text-align:left}</style>
<h1>Cinder Point School</h1>${body}`

const body = request =>
    new Promise(done => {
        let text = ''
        request.on('data', part => (text += part))
        request.on('end', () => done(new URLSearchParams(text)))
    })

const ours = async (request, response) => {
    const { uid } = await provider.interactionDetails(request, response)
    if (request.method === 'POST') {
        const who = (await body(request)).get('who')
        const result = PEOPLE[who]
            ? { login: { accountId: who } }
            : { error: 'access_denied', error_description: 'Nobody signed in.' }
        return provider.interactionFinished(request, response, result, { mergeWithLastSubmission: false })
    }
    const buttons = Object.entries(PEOPLE).map(
        ([id, { name, role }]) => `<button name="who" value="${id}">${name} · ${[role].flat().join(', ')}</button>`,
    )
    response.setHeader('Content-Type', 'text/html; charset=utf-8')
    response.end(
        page(`<p>Who are you?</p><form method="post" action="/who/${uid}">${buttons.join('')}
            <button name="who" value="">I do not want to sign in</button></form>`),
    )
}

const serve = provider.callback()
createServer((request, response) => {
    if (request.url.startsWith('/who/'))
        ours(request, response).catch(error => response.writeHead(400).end(error.message))
    else serve(request, response)
}).listen(port, '127.0.0.1', () => console.log(`A school's sign-in answers at http://127.0.0.1:${port}`))
