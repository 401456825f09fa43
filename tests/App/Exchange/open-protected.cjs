// Opens a protected file as an application does, by libraries that others wrote: r2-shared-js reads the file, r2-lcp-js
// its licence. What they do not look at — the signature and who made the certificate — Node's own cryptography does.
//   node open-protected.cjs FILE ROOT.PEM PASSPHRASE…
const { createHash, verify, X509Certificate } = require('node:crypto')
const { readFileSync } = require('node:fs')
const { PublicationParsePromise } = require('r2-shared-js/dist/es8-es2017/src/parser/publication-parser')
const {
    initGlobalConverters_GENERIC,
    initGlobalConverters_SHARED,
} = require('r2-shared-js/dist/es8-es2017/src/init-globals')
const { Transformers } = require('r2-shared-js/dist/es8-es2017/src/transform/transformer')
const { streamToBufferPromise } = require('r2-utils-js/dist/es8-es2017/src/_utils/stream/BufferUtils')

initGlobalConverters_SHARED()
initGlobalConverters_GENERIC()

const sha256 = bytes => createHash('sha256').update(bytes).digest('hex')

/** The licence as it is signed: without the signature, properties in order, nothing between them. */
const canonical = value =>
    Array.isArray(value)
        ? `[${value.map(canonical).join(',')}]`
        : value !== null && typeof value === 'object'
          ? `{${Object.keys(value)
                .sort()
                .map(key => `${JSON.stringify(key)}:${canonical(value[key])}`)
                .join(',')}}`
          : JSON.stringify(value)

const isSigned = (source, root) => {
    const { signature, ...licence } = JSON.parse(source)
    const certificate = new X509Certificate(Buffer.from(signature.certificate, 'base64'))
    return (
        signature.algorithm === 'http://www.w3.org/2001/04/xmldsig-more#ecdsa-sha256' &&
        certificate.checkIssued(root) &&
        certificate.verify(root.publicKey) &&
        verify(
            'sha256',
            Buffer.from(canonical(licence)),
            { key: certificate.publicKey, dsaEncoding: 'ieee-p1363' },
            Buffer.from(signature.value, 'base64'),
        )
    )
}

const main = async ([file, rootFile, ...passphrases]) => {
    const publication = await PublicationParsePromise(file)
    const licence = publication.LCP
    const found = {
        title: publication.Metadata.Title,
        hint: licence.Encryption.UserKey.TextHint,
        isSigned: isSigned(licence.JsonSource, new X509Certificate(readFileSync(rootFile))),
        opens: await licence.tryUserKeys(passphrases.map(sha256)).then(
            () => true,
            () => false,
        ),
        rights: licence.Rights,
        files: {},
    }
    const links = [...(publication.Spine ?? []), ...(publication.Resources ?? [])]
    for (const link of found.opens ? links : []) {
        const zipped = publication.findFromInternal('zip').Value
        const name = zipped.hasEntry(link.Href) ? link.Href : decodeURIComponent(link.Href)
        let stream = await zipped.entryStreamPromise(name)
        const isEncrypted = Boolean(link.Properties?.Encrypted)
        if (isEncrypted) {
            stream = await Transformers.tryStream(publication, link, '', stream, false, 0, 0, undefined)
        }
        found.files[name] = {
            isEncrypted,
            type: link.TypeLink,
            sha256: sha256(await streamToBufferPromise(stream.stream)),
        }
    }
    process.stdout.write(JSON.stringify(found))
}

main(process.argv.slice(2)).catch(error => {
    console.error(error)
    process.exit(1)
})
