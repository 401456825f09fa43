import { code128, code39, qrcode, rationalizedCodabar } from 'bwip-js/browser'

const DRAW = { code39, codabar: rationalizedCodabar, code128, qr: qrcode }

/** Draws a card's number for a scanner: dark on white whatever the scheme of the page, with the quiet space it needs. */
export const drawBarcode = canvas => {
    const { symbology, text } = canvas.dataset
    const isSquare = symbology === 'qr'
    DRAW[symbology](canvas, {
        text,
        scale: isSquare ? 8 : 3,
        height: isSquare ? undefined : 22,
        backgroundcolor: 'ffffff',
        paddingwidth: isSquare ? 8 : 24,
        paddingheight: 8,
        // The modulo-16 check sign of libraries' Codabar is made where the number has none; a scanner that is set to
        // it takes it off.
        ...(symbology === 'codabar' ? { includecheck: true } : {}),
    })
}
