// The faces that books can be read in, as they ship with the application, for the style sheets of their pages.
import atkinsonRanges from '@fontsource-variable/atkinson-hyperlegible-next/unicode.json'
import literataRanges from '@fontsource-variable/literata/unicode.json'

const files = import.meta.glob(
    [
        '/node_modules/@fontsource-variable/literata/files/*-wght-*.woff2',
        '/node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/*-wght-*.woff2',
        '/node_modules/@fontsource/opendyslexic/files/*.woff2',
        '/node_modules/@fontsource/stix-two-math/files/*.woff2',
    ],
    { query: '?url', import: 'default', eager: true },
)

const FACES = {
    literata: { name: 'Literata', ranges: literataRanges, weights: '200 900' },
    'atkinson-hyperlegible-next': { name: 'Atkinson', ranges: atkinsonRanges, weights: '200 800' },
    opendyslexic: { name: 'OpenDyslexic', ranges: {}, weights: null },
    // With what a browser must know of a face to set formulas by it (OpenType, MATH table).
    'stix-two-math': { name: 'Formulas', ranges: {}, weights: null },
}

/** What may be chosen, first the face and then what stands in for letters that it has not. */
export const FAMILIES = {
    serif: 'Literata, Georgia, serif',
    clear: 'Atkinson, sans-serif',
    dyslexic: 'OpenDyslexic, Atkinson, sans-serif',
    system: 'system-ui, sans-serif',
}

/** For formulas, whatever else is chosen. */
export const OF_FORMULAS = "Formulas, 'STIX Two Math', math, serif"

/** @font-face rules of all of them; a browser fetches those whose letters a page has. */
export const fontFaces = () =>
    Object.entries(files)
        .map(([path, url]) => {
            const [, of, subset, weight, style] = path.match(
                /\/([a-z-]+?)-((?:latin|cyrillic|greek|vietnamese)(?:-ext)?)-(\w+)-(\w+)\.woff2$/,
            )
            const { name, ranges, weights } = FACES[of]
            const range = ranges[subset] ? `unicode-range: ${ranges[subset]};` : ''
            return `@font-face { font-family: ${name}; src: url(${new URL(url, location.href)}); font-style: ${style};
                font-weight: ${weights ?? weight}; ${range} }`
        })
        .join('\n')
