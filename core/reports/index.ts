export { paperColumns, reportName, shownIn, startReport } from './columns'
export { around, type Fitted, type ReportLook, ReportLayer, type ReportWords } from './lay-report'
export { leastLetters, type Measures, sayPaper } from './layout/measures'
export type { Item, Page, PagePart, PictureItem, TextItem } from './page'
export type { PaperPart } from './table'
export { documentMeasures, layDocument } from './documents/lay-document'
export type { Filled, FilledRows, Said } from './documents/filled'
export {
  parentColumn,
  type ReadRows,
  type ReadTemplate,
  readTemplate,
  rowsList,
  rowWays,
} from './documents/read-template'
export { windowFields } from './documents/envelope'
export { sayColumn, writingsFor } from './documents/say-inline'
export { makeReady, readyFor, type ReadyKind, readyKinds, readyTitles } from './documents/ready/ready'
export { type FittedLabels, LabelSheets } from './documents/labels'
export type { CodeDrawing } from './documents/code-drawing'
export { usualRows } from './documents/ready/draft'
export { mostReceivers, type WrittenMail, writeMail } from './documents/mail'
export { mailPlaces, withReadyMail } from './documents/ready/ready-mail'
