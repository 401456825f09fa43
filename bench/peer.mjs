// Runs the peer's queries that it reads as JSON, one after another, and prints how long each took.
//   node bench/peer.mjs PORT < queries.json
import { readFileSync } from 'node:fs'
import mysql from 'mysql2/promise'

const queries = JSON.parse(readFileSync(0))
const connection = await mysql.createConnection({
    host: '127.0.0.1',
    port: Number(process.argv[2]),
    multipleStatements: true,
})
const times = []
for (const [n, { class: kind, peer }] of [...queries.slice(0, 5), ...queries].entries()) {
    const begun = process.hrtime.bigint()
    await connection.query(peer)
    if (n >= 5) times.push([kind, Number(process.hrtime.bigint() - begun) / 1e6])
}
console.log(JSON.stringify(times))
await connection.end()
