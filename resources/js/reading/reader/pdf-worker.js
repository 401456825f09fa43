// What takes PDFs apart. The page of a PDF begins it before anything else of the reader: it takes as long to begin as
// all of that.

import address from 'pdfjs-dist/build/pdf.worker.min.mjs?url'

export const pdfWorker = new Worker(address, { type: 'module' })
