/**
 * A form whose answer is shown once is sent once: a second click would take the place of the answer to the first, and
 * what it shows would be lost.
 *
 * @param {EventTarget} form
 * @param {EventTarget} page where it is told that the page came back from the browser's memory
 */
export const sendOnce = (form, page = globalThis) => {
    let sent = false
    form.addEventListener('submit', event => {
        if (sent) event.preventDefault()
        sent = true
    })
    page.addEventListener('pageshow', event => {
        if (event.persisted) sent = false
    })
}
