// Books whose structure was drawn by lot: whatever they are, every word is come to, under the name of its chapter.
import { execFileSync } from 'node:child_process'
import { chmodSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { borrowAndRead, findTitle, giveBack, importBooks, newCard, signIn, watch } from './library.js'

/** One is of the day. */
const SEEDS = { one: 1, two: 2, 'of the day': Math.floor(Date.now() / 86_400_000) }

/** In the page: what is on the screen, and where the reader says that is. */
const SCREEN = () => {
    const { range } = document.querySelector('foliate-view').lastLocation
    const doc = range.startContainer.ownerDocument
    const before = doc.createRange()
    before.selectNodeContents(doc.body)
    before.setEnd(range.startContainer, range.startOffset)
    const marks = text => [...text.matchAll(/m(\d+)-/g)].map(m => Number(m[1]))
    const said = range.toString().trim()
    return {
        said,
        marks: marks(said),
        // The paragraph or heading with which the screen begins.
        begins: Number(said.match(/^(?:Of )?m(\d+)/)?.[1] ?? marks(before.toString()).at(-1) ?? 0),
        chapter: document.getElementById('chapter').textContent.replace(/ ·$/, ''),
        isParted: document.querySelector('foliate-view').renderer.isParted,
    }
}

for (const [name, seed] of Object.entries(SEEDS)) {
    test(`a random book is read from end to end, seed ${name}`, async ({ page }) => {
        const title = `By Lot ${seed} ${Date.now()}`
        const folder = mkdtempSync(join(tmpdir(), 'lot-'))
        const file = join(folder, 'book.epub')
        const last = Number(
            execFileSync('php', ['tests/Browser/random-book.php', file, title, `${seed}`], { encoding: 'utf8' }),
        )
        // A valid book, as others see it.
        execFileSync('node', ['node_modules/@likecoin/epubcheck-ts/bin/epubcheck.js', file], { encoding: 'utf8' })
        chmodSync(folder, 0o755)
        chmodSync(file, 0o644)
        importBooks([file])
        const complaints = watch(page)
        await signIn(page, newCard('saltmere'))
        await findTitle(page, title)
        await borrowAndRead(page)
        const entries = await page
            .locator('#contents-list a')
            .evaluateAll(all => all.map(a => Number(a.textContent.slice(1))))

        const { wrong, seen, parted, screens } = await page.evaluate(
            async ([screenSource, entries]) => {
                const screen = new Function(`return (${screenSource})()`)
                const view = document.querySelector('foliate-view')
                const seen = new Set()
                // Letters of another face are as wide as they will be when that is there.
                const turn = async act => {
                    await act()
                    await Promise.all(view.renderer.getContents().map(({ doc }) => doc.fonts.ready))
                    await new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
                }
                const on = () => turn(() => view.next())
                const back = () => turn(() => view.prev())
                const wrong = []
                let [at, parted, screens] = [0, 0, 0]
                for (let still = 0; still < 3; screens++) {
                    const now = screen()
                    parted += now.isParted
                    for (const mark of now.marks) {
                        if (mark < at) wrong.push(`m${mark} after m${at}`)
                        at = mark
                        seen.add(mark)
                    }
                    // An empty document is under no name of its own.
                    const chapter = entries.findLast(entry => entry <= now.begins)
                    if (now.said && now.chapter !== `m${chapter}`)
                        wrong.push(`${now.chapter} instead of m${chapter}: ${now.said.slice(0, 40)}`)
                    if (screens % 17 === 5) {
                        await on()
                        const there = screen().said
                        // Beyond the end nothing is turned to.
                        if (there === now.said) break
                        await back()
                        if (screen().said !== now.said) wrong.push(`back is not ${now.said.slice(0, 40)}`)
                        await on()
                        if (screen().said !== there) wrong.push(`on is not ${there.slice(0, 40)}`)
                        continue
                    }
                    await on()
                    still = screen().said === now.said ? still + 1 : 0
                }
                return { wrong, seen: [...seen], parted, screens }
            },
            [`${SCREEN}`, entries],
        )
        expect(wrong, `seed ${seed}`).toEqual([])
        expect(seen).toEqual(Array.from({ length: last }, (_, n) => n + 1))
        expect(parted, 'one of them is laid out in parts').toBeGreaterThan(20)
        expect(screens).toBeGreaterThan(60)

        // Wherever an entry leads, or a place that was kept, is where it says.
        for (const entry of [entries[0], entries[Math.floor(entries.length / 2)], entries.at(-1)]) {
            await page.keyboard.press('c')
            await page
                .locator('#contents-list')
                .getByRole('link', { name: `m${entry}`, exact: true })
                .click()
            await expect.poll(() => page.evaluate(SCREEN).then(now => now.marks.includes(entry))).toBe(true)
        }
        await page.evaluate(() => document.querySelector('foliate-view').goToFraction(0.5))
        const { said } = await page.evaluate(SCREEN)
        await page.waitForResponse(r => r.url().endsWith('/place') && r.request().method() === 'PUT')
        await page.reload()
        await expect(page.locator('#reader')).toHaveAttribute('data-ready', 'yes')
        await expect.poll(() => page.evaluate(SCREEN).then(now => now.said)).toBe(said)
        expect(complaints).toEqual([])
        await giveBack(page, title)
    })
}
