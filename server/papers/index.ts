export { DrawnPages, pdfOfPages } from './map-pages'
export { ReportPdf } from './report-pdf'
export { hasShape } from './typefaces'
