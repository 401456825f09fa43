import tailwindcss from '@tailwindcss/vite'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/css/app.css',
                'resources/js/app.js',
                'resources/js/reading/reader/open.js',
                'resources/js/reading/player/open.js',
                'resources/js/reading/offline/list.js',
            ],
            refresh: false,
        }),
        tailwindcss(),
    ],
    worker: { format: 'es' },
    build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
})
