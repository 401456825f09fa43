// A stand-in for websites that libraries point to: made-up ones of the Lantern Coast.
//   node standins/websites/server.mjs PORT
// /harbour-museum has moved for good, /old-newspapers answers to no HEAD, /ferry-timetable is gone.
import { createServer } from 'node:http'

const port = Number(process.argv[2])
if (!port) {
    console.error('Usage: node standins/websites/server.mjs PORT')
    process.exit(2)
}

const SITES = {
    '/tides': ['Tide tables of the Lantern Coast', 'High and low water at nine harbours, for every day of this year.'],
    '/seabirds': ['The Lantern Coast seabird count', 'What was counted on each skerry, every May since 1951.'],
    '/lamp-pictures': ['Pictures of lamps and keepers', '4,100 photographs from nine lighthouses.'],
    '/old-newspapers': ['Old newspapers of the islands', 'Pages of eleven newspapers, 1874 to 1962.'],
    '/grants': ['Grants for island schools', 'Who gives money for what, and until when one may ask.'],
    '/island-spanish': ['Spanish for islanders', 'Forty lessons, each with a conversation to listen to.'],
}

createServer((request, response) => {
    const path = new URL(request.url, 'http://127.0.0.1').pathname.replace(/\/$/, '')
    const answer = (status, head = {}, body = '') => {
        response.writeHead(status, { 'Content-Type': 'text/html; charset=utf-8', ...head })
        response.end(request.method === 'HEAD' ? '' : body)
    }
    if (path === '/harbour-museum') return answer(301, { Location: '/lamp-pictures' })
    if (path === '/old-newspapers' && request.method === 'HEAD') return answer(405, { Allow: 'GET' })
    const site = SITES[path]
    if (!site) return answer(404, {}, '<!doctype html><title>Nothing here</title><p>There is nothing of this address.')
    const [name, text] = site
    answer(
        200,
        {},
        `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>${name}</title>
<body style="font:18px/1.5 Georgia,serif;max-width:40rem;margin:3rem auto;padding:0 1rem"><h1>${name}</h1><p>${text}</p>
<p><small>This website is made up for the demonstration.</small></p></body></html>`,
    )
}).listen(port, '127.0.0.1', () => console.log(`Websites answer at http://127.0.0.1:${port}`))
