/** The page's language, with the day before the month as on every other page. */
const language = () => ({ en: 'en-GB' })[document.documentElement.lang] ?? document.documentElement.lang

/** Sizes and dates in the page's language. */
export const bytes = size => {
    const [unit, share] = size < 1e6 ? ['kilobyte', 1e3] : size < 1e9 ? ['megabyte', 1e6] : ['gigabyte', 1e9]
    return new Intl.NumberFormat(language(), {
        style: 'unit',
        unit,
        unitDisplay: 'short',
        maximumFractionDigits: size < 1e6 ? 0 : 1,
    }).format(Math.max(1e3, size) / share)
}

export const day = milliseconds =>
    new Intl.DateTimeFormat(language(), { weekday: 'long', day: 'numeric', month: 'long' }).format(milliseconds)
