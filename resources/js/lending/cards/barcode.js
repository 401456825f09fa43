import { code128, code39, qrcode, rationalizedCodabar } from 'bwip-js/browser'

const DRAW = { code39, codabar: rationalizedCodabar, code128, qr: qrcode }

/** Draws a card's number for a scanner: dark on white whatever the scheme, with the quiet space it needs. */
export const drawBarcode = canvas => {
    const { symbology, text } = canvas.dataset
    const shape =
        symbology === 'qr'
            ? { scale: 8, paddingwidth: 8, paddingheight: 8 }
            : { scale: 3, height: 22, paddingwidth: 24, paddingheight: 8 }
    // The modulo-16 check sign of libraries' Codabar; a scanner that is set to it takes it off.
    const check = symbology === 'codabar' ? { includecheck: true } : {}
    DRAW[symbology](canvas, { text, backgroundcolor: 'ffffff', ...shape, ...check })
    canvas.dataset.drawn = ''
}
