// What r2-lcp-js makes of a status document: it is given a licence, asks where that stands, and is answered with the
// document. Prints the status that it read and what it asked for; a device that may open the file registers itself.
//   node ask-status.cjs LICENCE STATUS
const { readFileSync } = require('node:fs')
const { createServer } = require('node:http')
const { LCP } = require('r2-lcp-js/dist/es8-es2017/src/parser/epub/lcp')
const { TaJsonDeserialize } = require('r2-lcp-js/dist/es8-es2017/src/serializable')
const { launchStatusDocumentProcessing } = require('r2-lcp-js/dist/es8-es2017/src/lsd/status-document-processing')
const {
    initGlobalConverters_GENERIC,
    initGlobalConverters_SHARED,
} = require('r2-shared-js/dist/es8-es2017/src/init-globals')

initGlobalConverters_SHARED()
initGlobalConverters_GENERIC()

const [licenceFile, statusFile] = process.argv.slice(2)
const asked = []
const server = createServer((request, response) => {
    asked.push(`${request.method} ${request.url.split('?')[0]}`)
    const status = readFileSync(statusFile, 'utf8').replaceAll(
        /"href":"[^"{]*\/([a-z]+)(\{[^"]*\})?"/g,
        (_, what, template = '') => `"href":"http://127.0.0.1:${server.address().port}/${what}${template}"`,
    )
    response.setHeader('Content-Type', 'application/vnd.readium.license.status.v1.0+json')
    response.end(status)
})
const device = {
    getDeviceID: async () => 'a-device',
    getDeviceNAME: async () => 'A device',
    checkDeviceID: async () => undefined,
    recordDeviceID: async () => undefined,
}

server.listen(0, '127.0.0.1', async () => {
    const licence = TaJsonDeserialize(JSON.parse(readFileSync(licenceFile, 'utf8')), LCP)
    licence.Links.find(link => link.Rel === 'status').Href = `http://127.0.0.1:${server.address().port}/status`
    await new Promise(done => launchStatusDocumentProcessing(licence, device, done))
    process.stdout.write(JSON.stringify({ status: licence.LSD.Status, asked }))
    server.close()
    server.closeAllConnections()
})
