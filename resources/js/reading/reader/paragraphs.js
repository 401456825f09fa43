// What is written on a page of a PDF, as paragraphs.

/**
 * Lines that stand together are a paragraph; a gap wider than is usual on the page, or letters of another size, begin
 * the next.
 *
 * @param {{str: string, hasEOL: boolean, transform: number[], height: number}[]} items as pdf.js has them
 * @returns {string[]}
 */
export const paragraphsOf = items => {
    const lines = []
    for (const { str, hasEOL, transform, height } of items) {
        const last = lines.at(-1)
        if (last && !last.ended && Math.abs(last.y - transform[5]) < 2) last.text += str
        else if (str.trim()) lines.push({ text: str, y: transform[5], height })
        if (hasEOL && lines.length) lines.at(-1).ended = true
    }
    const gaps = lines
        .slice(1)
        .map((line, n) => lines[n].y - line.y)
        .filter(gap => gap > 0)
        .sort((a, b) => a - b)
    const usual = gaps[Math.floor(gaps.length / 2)] ?? 0
    const paragraphs = []
    lines.forEach((line, n) => {
        const before = lines[n - 1]
        const gap = before ? before.y - line.y : 0
        if (!before || gap < 0 || gap > 1.3 * usual || Math.abs(before.height - line.height) > 1)
            paragraphs.push(line.text)
        else paragraphs[paragraphs.length - 1] += ` ${line.text}`
    })
    // A word that was parted at the end of a line is one.
    return paragraphs
        .map(p =>
            p
                .replace(/(\p{Ll})- (?=\p{Ll})/gu, '$1')
                .replace(/\s+/g, ' ')
                .trim(),
        )
        .filter(Boolean)
}
