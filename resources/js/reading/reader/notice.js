// The slip at the edge of a page on which the reader and the player say what happened, with acts to choose from.

/** A text with its facts in place: "Page :page of :pages". */
export const fill = (text, facts) => text.replace(/:(\w+)/g, (_, name) => facts[name] ?? '')

/** @param {[string, (() => void)?][]} acts words and what they do; either puts the slip away */
export const say = (text, ...acts) => {
    const slip = document.getElementById('notice')
    slip.dataset.said = text
    slip.replaceChildren(
        text,
        ...acts.map(([words, act]) => {
            const button = Object.assign(document.createElement('button'), {
                type: 'button',
                className: 'btn btn-quiet',
                textContent: words,
            })
            button.onclick = () => {
                slip.replaceChildren()
                act?.()
            }
            return button
        }),
    )
}

/** Puts the slip away if it still says that. */
export const unsay = text => {
    const slip = document.getElementById('notice')
    if (slip.dataset.said === text) slip.replaceChildren()
}
