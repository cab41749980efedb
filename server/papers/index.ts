export { DrawnPages, pdfOfPages } from './map-pages'
