// The slip at the edge of a page on which the reader and the player say what happened, with acts to choose from.

/** A text with its facts in place: "Page :page of :pages". */
export const fill = (text, facts) => text.replace(/:(\w+)/g, (_, name) => facts[name] ?? '')

/** Milliseconds after which what needs no answer goes by itself, where the slip takes the place of something else. */
const PASSES = 12_000
let passing

const button = (words, act) => {
    const made = Object.assign(document.createElement('button'), { type: 'button', className: 'btn btn-quiet' })
    // On a phone there is no room for the words of what only puts it away.
    if (act) made.textContent = words
    else {
        made.classList.add('dismiss')
        made.ariaLabel = words
        made.append(Object.assign(document.createElement('span'), { textContent: words }))
    }
    made.onclick = () => {
        document.getElementById('notice').replaceChildren()
        act?.()
    }
    return made
}

/** @param {[string, (() => void)?][]} acts words and what they do; either puts the slip away */
export const say = (text, ...acts) => {
    const slip = document.getElementById('notice')
    const { close } = slip.dataset
    slip.dataset.said = text
    clearTimeout(passing)
    slip.replaceChildren(
        Object.assign(document.createElement('span'), { className: 'notice-words', textContent: text }),
        ...(acts.length || !close ? acts : [[close]]).map(([words, act]) => button(words, act)),
    )
    if (close && !acts.length) passing = setTimeout(() => unsay(text), PASSES)
}

/** Puts the slip away if it still says that. */
export const unsay = text => {
    const slip = document.getElementById('notice')
    if (slip.dataset.said === text) slip.replaceChildren()
}
