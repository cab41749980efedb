export { dropEdition, editionNow, type EditionNow, editionPage, editionPdf, startEdition } from './editions'
