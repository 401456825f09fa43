// Notices that come while no page is open: shown, and followed to where they lead.

addEventListener('push', event => {
    // Browsers take the leave to push away where something comes and nothing is shown.
    const { title, body, address, tag, lang } = event.data?.json() ?? { title: 'Fig Porch', address: '/notices' }
    event.waitUntil(
        registration.showNotification(title, { body, tag, lang, icon: '/icons/192.png', data: { address } }),
    )
})

addEventListener('notificationclick', event => {
    event.notification.close()
    const address = new URL(event.notification.data?.address ?? '/notices', location.origin)
    if (address.origin !== location.origin) return
    event.waitUntil(
        (async () => {
            const open = (await clients.matchAll({ type: 'window', includeUncontrolled: true })).find(
                ({ url }) => url === address.href,
            )
            await (open ? open.focus() : clients.openWindow(address.href))
        })(),
    )
})
