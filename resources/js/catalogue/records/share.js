// Hands the address of a page to the device's own sharing, or copies it.
export function watchShare() {
    for (const button of document.querySelectorAll('[data-share]')) {
        if (!navigator.share && !navigator.clipboard) continue
        button.hidden = false
        button.addEventListener('click', async () => {
            const address = button.dataset.share
            if (navigator.share) {
                await navigator.share({ title: document.title, url: address }).catch(() => {})
            } else {
                await navigator.clipboard.writeText(address)
                button.textContent = button.dataset.done
            }
        })
    }
}
