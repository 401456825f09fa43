import { qrcode } from 'bwip-js/browser'

/** Draws what a device is to read. */
export const drawCode = canvas => {
    // Dark on light whatever the scheme of the page: that is what devices read.
    const options = { scale: 4, eclevel: 'M', backgroundcolor: 'ffffff', paddingwidth: 8, paddingheight: 8 }
    qrcode(canvas, { bcid: 'qrcode', text: canvas.dataset.qr, ...options })
}
