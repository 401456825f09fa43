// A stand-in for a neighbouring supplier: an OPDS 2.0 catalogue of invented titles, the same every time.
//   node standins/supplier/server.mjs PORT [TITLES]
import { createServer } from 'node:http'
import { dice } from '../dice.mjs'

const port = Number(process.argv[2])
const count = Number(process.argv[3] ?? 3000)
if (!port || !(count > 0)) {
    console.error('Usage: node standins/supplier/server.mjs PORT [TITLES]')
    process.exit(2)
}
const PER_PAGE = 100

// Each title has its own seed, so that any page can be made by itself.
const FIRST = [
    'Aldous',
    'Bettina',
    'Cosima',
    'Dunstan',
    'Elspeth',
    'Fabian',
    'Greta',
    'Hesper',
    'Ilario',
    'Jorun',
    'Katla',
    'Leopold',
    'Mirren',
    'Nils',
    'Oriel',
    'Petronel',
    'Rufus',
    'Signe',
    'Thaddeus',
    'Ursel',
]
const LAST = [
    'Ashgrove',
    'Bellweather',
    'Craymore',
    'Dunmarrow',
    'Eddystoke',
    'Farrowgate',
    'Gilliver',
    'Hawksworthy',
    'Inverlune',
    'Jessamy-Pole',
    'Kettlewick',
    'Lomond-Gray',
    'Merriwell',
    'Northaven',
    'Ostrander-Vale',
    'Pennyfold',
    'Quarrendon',
    'Ravensholt',
    'Stonecroft-Ley',
    'Tidewell',
]
const KINDS = [
    'Atlas',
    'Ballad',
    'Bridge',
    'Calendar',
    'Cartographer',
    'Cellar',
    'Clockmaker',
    'Cove',
    'Daughter',
    'Feast',
    'Foghorn',
    'Glassblower',
    'House',
    'Inheritance',
    'Kingdom',
    'Machine',
    'Meadow',
    'Mountain',
    'Night',
    'Orchestra',
    'Passage',
    'Pilot',
    'Quarry',
    'River',
    'Road',
    'School',
    'Season',
    'Shadow',
    'Stranger',
    'Summer',
    'Tower',
    'Train',
    'Valley',
    'Weaver',
    'Winter',
    'Wolf',
]
const MOODS = [
    'Almost',
    'Ashen',
    'Bright',
    'Careful',
    'Distant',
    'Eleventh',
    'Forgotten',
    'Gentle',
    'Hollow',
    'Invisible',
    'Laughing',
    'Marble',
    'Narrow',
    'Ordinary',
    'Perfect',
    'Quarrelsome',
    'Reluctant',
    'Scarlet',
    'Thirsty',
    'Unlikely',
    'Velvet',
    'Wild',
]
const PLACES = [
    'Brackwater',
    'the Upper Moors',
    'Fenwick Row',
    'Marrow Bay',
    'Old Candlehithe',
    'the Glass Hills',
    'Sparrowfield',
    'Tarn End',
    'Velden',
    'the Long Valley',
]
const FICTION = [
    'Mystery',
    'Family life',
    'Historical fiction',
    'Adventure',
    'Comedy',
    'Ghost stories',
    'Love stories',
    'Travel to other worlds',
    'Mountains',
]
const FACTS = [
    'Cooking',
    'Gardening',
    'Weather',
    'Local history',
    'Astronomy',
    'Trains',
    'Textiles',
    'Bees',
    'Health',
    'Mathematics',
    'Painting',
    'Walking',
]
const PUBLISHERS = [
    'Candlehithe Books',
    'Moor & Meadow',
    'The Glass Hills Press',
    'Ninefold',
    'Tarn End Audio',
    'Brackwater University Press',
]

// Numbers of the demo's own kind, as far as they go; a tenth of the titles has only the supplier's.
const identifier = n => {
    if (n >= 5000 || n % 10 === 9) return `urn:x-mainland:${n}`
    const twelve = `97989999${4000 + n}`
    const sum = [...twelve].reduce((all, digit, i) => all + Number(digit) * (i % 2 ? 3 : 1), 0)
    return `urn:isbn:${twelve}${(10 - (sum % 10)) % 10}`
}

const plural = word => word.replace(/([^aeiou])y$/, '$1ie').replace(/f$/, 've') + 's'

// Every tenth title is of a series: five by the same writer, one after another.
const IN_SERIES = 10
const OF_SERIES = 5

const publication = n => {
    const roll = dice(n + 1)
    const series = n % IN_SERIES === 0 ? Math.floor(n / IN_SERIES / OF_SERIES) : null
    const pick = list => list[roll(list.length)]
    const person = () => {
        const [first, last] = [pick(FIRST), pick(LAST)]
        return { name: `${first} ${last}`, sortAs: `${last}, ${first}` }
    }
    const fiction = roll(10) < 6 || series !== null
    const format =
        series !== null
            ? 'Book'
            : ['Book', 'Book', 'Book', 'Audiobook', 'Audiobook', 'Movie', 'MusicAlbum', 'PublicationIssue'][roll(8)]
    const [mood, kind, place, other] = [pick(MOODS), pick(KINDS), pick(PLACES), pick(KINDS)]
    const title = [
        `The ${mood} ${kind}`,
        `${kind} and ${other}`,
        `A ${kind} in ${place}`,
        `${mood} ${plural(kind)}`,
        `What the ${kind} Said`,
        `The ${kind} of ${place}`,
    ][roll(6)].replace(/\bA (?=[AEIO])/, 'An ')
    const subjects = [...new Set([pick(fiction ? FICTION : FACTS), pick(fiction ? FICTION : FACTS)])].map(name => ({
        name,
    }))
    const year = 1996 + roll(31)
    const metadata = {
        '@type': `http://schema.org/${format}`,
        title,
        identifier: identifier(n),
        language: roll(9) === 0 ? 'es' : 'en',
        publisher: pick(PUBLISHERS),
        published: `${year}-${String(1 + roll(12)).padStart(2, '0')}`,
        modified: `${year}-12-31T00:00:00Z`,
        description: fiction
            ? `In ${place}, ${person().name} finds that the ${kind.toLowerCase()} everyone had forgotten is not done ` +
              `with them. <p>A story of ${subjects[0].name.toLowerCase()}.</p>`
            : `${subjects[0].name} for those who begin and those who go on: from ${place}, with much about the ` +
              `${kind.toLowerCase()}.`,
        subject: [...subjects, { name: fiction ? 'Fiction' : 'Non-fiction' }],
    }
    if (format === 'MusicAlbum') metadata.artist = [person()]
    else if (format !== 'PublicationIssue') metadata.author = [person()]
    if (format === 'Audiobook') metadata.narrator = [person()]
    if (format === 'Book' || format === 'PublicationIssue') metadata.numberOfPages = 60 + roll(480)
    if (format === 'Audiobook' || format === 'Movie')
        metadata.duration = 3000 + 60 * roll(format === 'Movie' ? 90 : 700)
    if (roll(5) === 0) metadata.typicalAgeRange = ['3-5', '6-8', '9-12', '13-17'][roll(4)]
    if (series !== null) {
        const [first, last] = [FIRST[series % FIRST.length], LAST[(series * 7 + 3) % LAST.length]]
        metadata.author = [{ name: `${first} ${last}`, sortAs: `${last}, ${first}` }]
        metadata.belongsTo = {
            series: [
                {
                    name: [
                        FIRST[Math.floor(series / FIRST.length + series) % FIRST.length],
                        PLACES[series % PLACES.length],
                    ].join(' of '),
                    position: 1 + (Math.floor(n / IN_SERIES) % OF_SERIES),
                },
            ],
        }
    }
    const tracks = 6 + roll(9)
    if (format === 'MusicAlbum') metadata.duration = tracks * (140 + roll(120))
    return {
        metadata,
        links: [
            {
                rel: 'http://opds-spec.org/acquisition/buy',
                href: `/titles/${n}`,
                type: 'text/html',
                properties: { price: { value: 9 + roll(60) + 0.5, currency: 'EUR' } },
            },
        ],
        ...(format === 'MusicAlbum'
            ? {
                  readingOrder: Array.from({ length: tracks }, (_, i) => ({
                      href: `/titles/${n}/${i + 1}.mp3`,
                      type: 'audio/mpeg',
                      title: `${pick(MOODS)} ${pick(KINDS)}`,
                  })),
              }
            : {}),
        images: [],
    }
}

/** The page at which a title is bought: it says what was asked for, and that it is noted. */
const sell = (n, method, response) => {
    const { metadata, links } = publication(n)
    const { value, currency } = links[0].properties.price
    const said =
        method === 'POST'
            ? '<p role="status">Your order is noted.</p>'
            : '<form method="post"><button>Order it</button></form>'
    response
        .writeHead(200, { 'Content-Type': 'text/html; charset=utf-8' })
        .end(
            `<!doctype html><html lang="en"><title>${metadata.title} · Mainland Book Supply</title>` +
                `<h1>${metadata.title}</h1>` +
                `<p>${metadata.identifier} · ${value.toFixed(2)} ${currency}</p>${said}</html>`,
        )
}

createServer((request, response) => {
    const address = new URL(request.url, 'http://supplier')
    const bought = /^\/titles\/(\d{1,7})$/.exec(address.pathname)
    if (bought && Number(bought[1]) < count) return sell(Number(bought[1]), request.method, response)
    const page = Number(address.searchParams.get('page') ?? 1)
    const pages = Math.ceil(count / PER_PAGE)
    if (address.pathname !== '/opds' || !Number.isInteger(page) || page < 1 || page > pages) {
        response
            .writeHead(404, { 'Content-Type': 'text/plain' })
            .end('There is nothing here; the catalogue is at /opds.\n')
        return
    }
    const first = (page - 1) * PER_PAGE
    const link = (rel, at) => ({ rel, href: `/opds?page=${at}`, type: 'application/opds+json' })
    response
        .writeHead(200, { 'Content-Type': 'application/opds+json' })
        .end(
            JSON.stringify({
                metadata: {
                    title: 'Mainland Book Supply',
                    numberOfItems: count,
                    itemsPerPage: PER_PAGE,
                    currentPage: page,
                },
                links: [
                    link('self', page),
                    ...(page < pages ? [link('next', page + 1)] : []),
                    ...(page > 1 ? [link('previous', page - 1)] : []),
                ],
                publications: Array.from({ length: Math.min(PER_PAGE, count - first) }, (_, i) =>
                    publication(first + i),
                ),
            }),
        )
}).listen(port, '127.0.0.1', () => console.log(`${count} titles at http://127.0.0.1:${port}/opds`))
