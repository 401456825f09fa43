/**
 * Keys that act by themselves: which there are, and whether they act in this browser (WCAG 2.2, 2.1.4: who speaks to
 * their computer has to be able to turn them off).
 */

const KEPT = 'single-keys'

/** Whether a key may act that is a letter or a sign alone. */
export const singleKeysAct = () => globalThis.localStorage?.getItem(KEPT) !== 'off'

/** @param {HTMLDialogElement|null} dialog the list; open already, it stays so */
export const openKeys = dialog => dialog && !dialog.open && dialog.showModal()

/** @param {HTMLDialogElement} dialog the list, with the switch */
export const watchKeys = dialog => {
    const box = dialog.querySelector('input[type=checkbox]')
    box.checked = singleKeysAct()
    box.addEventListener('change', () => {
        if (box.checked) localStorage.removeItem(KEPT)
        else localStorage.setItem(KEPT, 'off')
    })
    dialog.querySelector('[data-close-keys]').onclick = () => dialog.close()
    for (const opener of document.querySelectorAll('[data-open-keys]')) {
        opener.hidden = false
        opener.onclick = () => openKeys(dialog)
    }
    document.addEventListener('keydown', event => {
        const writes = event.target.closest?.('input:not([type=checkbox], [type=radio]), select, textarea')
        if (event.key === '?' && singleKeysAct() && !writes && !event.ctrlKey && !event.metaKey && !event.altKey)
            openKeys(dialog)
    })
}
