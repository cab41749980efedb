export { codeFor } from './codes'
export { DrawnPages, pdfOfPages } from './map-pages'
export { ReportPdf, type Sheet } from './report-pdf'
export { hasShape } from './typefaces'
