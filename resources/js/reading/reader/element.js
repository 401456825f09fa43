/** An element with its properties and what it holds. */
export const element = (name, properties = {}, ...children) => {
    const made = Object.assign(document.createElement(name), properties)
    made.append(...children)
    return made
}
