const FLAG = 'offline'

/** Whether anything was taken offline in this browser; asked on every page, so it costs nothing. */
export const inUse = () => localStorage.getItem(FLAG) === 'yes'
export const setInUse = on => on ? localStorage.setItem(FLAG, 'yes') : localStorage.removeItem(FLAG)
