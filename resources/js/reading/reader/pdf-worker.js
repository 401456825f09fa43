// What takes PDFs apart, begun before anything else of the reader: it takes as long to begin as all of that.

import address from 'pdfjs-dist/build/pdf.worker.min.mjs?url'

globalThis.pdfWorker = new Worker(address, { type: 'module' })
