import { qrcode } from 'bwip-js/browser'

/** Draws what a device is to read. */
export const drawCode = canvas => {
    qrcode(canvas, { bcid: 'qrcode', text: canvas.dataset.qr, scale: 4, eclevel: 'M' })
}
