import tailwindcss from '@tailwindcss/vite'
import { cpSync } from 'node:fs'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'

/** What pdf.js fetches when a PDF needs it: character maps, fonts that need not be in a PDF, colours, decoders. */
const filesOfPdfs = {
    name: 'files-of-pdfs',
    closeBundle() {
        for (const part of ['cmaps', 'standard_fonts', 'wasm', 'iccs'])
            cpSync(`node_modules/pdfjs-dist/${part}`, `public/build/pdf/${part}`, { recursive: true })
    },
}

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/css/app.css',
                'resources/js/app.js',
                'resources/js/reading/reader/open.js',
                'resources/js/reading/reader/pdf-worker.js',
                'resources/js/reading/player/open.js',
                'resources/js/reading/offline/list.js',
            ],
            refresh: false,
        }),
        tailwindcss(),
        filesOfPdfs,
    ],
    worker: { format: 'es' },
    build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
})
