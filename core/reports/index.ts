export { paperColumns, reportName, shownIn, startReport } from './columns'
export { around, type Fitted, type ReportLook, ReportLayer, type ReportWords } from './lay-report'
export { leastLetters, type Measures, sayPaper } from './layout/measures'
export {
  type Item,
  type Page,
  type PagePart,
  type PathItem,
  type PictureItem,
  type Shade,
  shades,
  type TextItem,
} from './page'
export type { Carrying, PaperColumn, PaperPart } from './table'
export { crossedTable } from './crossed'
export { carriedFigures, carryingOf } from './carrying'
export { documentMeasures, layDocument } from './documents/lay-document'
export type { Filled, Said } from './documents/filled'
export { type ReadTemplate, readTemplate } from './documents/read-template'
export { parentColumn, type ReadRows, rowsList, rowsOfOne, rowWays, type Whose } from './documents/read-rows'
export { frozenBy, notable, notedAs, notedIn } from './documents/noted'
export { windowFields } from './documents/envelope'
export { sayColumn, writingsFor } from './documents/say-inline'
export { makeReady, readyFor, type ReadyKind, readyKinds, readyTitles } from './documents/ready/ready'
export { type FittedLabels, LabelSheets } from './documents/labels'
export type { CodeDrawing } from './documents/code-drawing'
export { usualRows } from './documents/ready/draft'
export { writeMail } from './documents/mail'
export { mailPlaces, withReadyMail } from './documents/ready/ready-mail'
