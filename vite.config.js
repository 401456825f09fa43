import tailwindcss from '@tailwindcss/vite'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/css/app.css',
                'resources/js/app.js',
                'resources/js/reading/reader/reader.js',
                'resources/js/reading/player/player.js',
                'resources/js/reading/offline/list.js',
            ],
            refresh: false,
        }),
        tailwindcss(),
    ],
    worker: { format: 'es' },
    build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
})
