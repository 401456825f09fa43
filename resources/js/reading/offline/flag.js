// What this browser is used for besides pages; asked on every page, so it costs nothing.

const flag = name => [
    () => localStorage.getItem(name) === 'yes',
    on => (on ? localStorage.setItem(name, 'yes') : localStorage.removeItem(name)),
]

/** Whether anything was taken offline. */
export const [inUse, setInUse] = flag('offline')

/** Whether a card is kept here, to be shown without a network. */
export const [cardHere, setCardHere] = flag('card-here')

/** Whether notices are shown. */
export const [pushed, setPushed] = flag('push')
