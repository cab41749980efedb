export { dropEdition, leaveView, editionNow, type EditionNow, editionPage, editionPdf, startEdition } from './editions'
export { sheetOf } from './sheet'
export type { Laying } from './lay-edition'
