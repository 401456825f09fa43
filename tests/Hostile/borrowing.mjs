// Patrons who borrow and return until this is ended: node tests/Hostile/borrowing.mjs ADDRESS
import { Visitor } from './visitor.mjs'

const base = process.argv[2]
await Promise.all(
    [0, 1, 2].map(async n => {
        const patron = new Visitor(base)
        await patron.signIn('patron')
        for (let i = n; ; i += 3) {
            await (await patron.send(`/titles/${1 + (i % 150)}/borrow`)).text()
            const { text } = await patron.open('/loans')
            for (const [, loan] of text.matchAll(/\/loans\/(\d+)\/(?:read|listen|watch)/g)) {
                await (await patron.send(`/loans/${loan}/return`)).text()
            }
        }
    }),
)
