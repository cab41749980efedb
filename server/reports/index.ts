export {
  dropEdition,
  leaveView,
  editionNow,
  type EditionNow,
  editionPage,
  type HeldEdition,
  holdEdition,
  laidEdition,
  startEdition,
} from './editions'
export { type EditionForm, editionFile, editionForms } from './edition-files'
export { reportFileKinds, type ReportFileKind, reportFile } from './report-file'
export { type Laid, type Laying, type Otherwise, reportWork } from './lay-edition'
export { documentsWork, type Writings, type Written } from './lay-documents'
export { NotLaid } from './work'
export { type DocumentExample, exampleOf } from './example-of'
export { handOut } from './hand-out'
export { mailDocuments, type MailsToCome, mailsToCome, type MailToCome } from './mail-documents'
export {
  type Differences,
  differencesOf,
  findPaper,
  newestPapers,
  type Paper,
  paperPdf,
  papersOf,
  papersWork,
  todayWork,
} from './papers'
export { mostMegabytes, pictureOf, storePicture } from './pictures'
