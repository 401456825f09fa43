import { defineConfig } from '@playwright/test'

export default defineConfig({
    testDir: '.',
    // Two cores, and axe looks at every node.
    timeout: 300_000,
    expect: { timeout: Number(process.env.PATIENCE ?? 60_000) },
    workers: 2,
    // What fails once is a fault of the test or of the program.
    retries: 0,
    outputDir: '../../var/test/browser-results',
    reporter: [['list']],
    projects: [
        { name: 'pages', testIgnore: ['faults.spec.js', 'empty.spec.js'] },
        // Starts an installation of its own, beside which the others would be slow.
        { name: 'empty', testMatch: 'empty.spec.js', dependencies: ['pages'] },
        // Kills what the others run on, so it comes last and alone.
        { name: 'faults', testMatch: 'faults.spec.js', dependencies: ['empty'] },
    ],
    use: {
        actionTimeout: Number(process.env.PATIENCE ?? 60_000),
        baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        locale: 'en-GB',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
})
