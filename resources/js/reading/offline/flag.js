// What this browser is used for besides pages; asked on every page, so it costs nothing.

const flag = name => [
    () => localStorage.getItem(name) === 'yes',
    on => (on ? localStorage.setItem(name, 'yes') : localStorage.removeItem(name)),
]

/** Whether anything was taken offline. */
export const [inUse, setInUse] = flag('offline')

/** Whether notices are shown. */
export const [pushed, setPushed] = flag('push')
