export { askGroups, type AskedGroups } from './read/ask-groups'
export { askList, type AskedPage, countList, type ListLine } from './read/ask-list'
export { callRecords } from './read/called-today'
export { askMissing } from './read/ask-missing'
export { addMany } from './save/add-many'
export { type Violations, violationsOf, violatedRules } from './read/violations'
export { csvOf } from './read/csv'
export { csvOfList, tabsOfList } from './out/list-csv'
export { jsonOfList } from './out/list-json'
export { xlsxOfList } from './out/list-xlsx'
export { sqlOfList } from './out/list-sql'
export { type Walk } from './out/walk-list'
export { fileContents, findFile, type StoredFile, storeFile } from './files'
export { freezeMany } from './save/freezing'
export { openedBook } from './open/gate'
export { heavyProblem, isOfAnotherShape } from './read/heavy'
export { linkedValues } from './read/linked-values'
export { type Live, liveOf } from './live'
export { openBook, openingSheet, type OpeningSheet, resumeOpenings } from './open/opening'
export { countRemoval, countRemovals, type RemovalSheet } from './save/count-removal'
export { removeRecord } from './save/remove-record'
export { countRows, type LiveRecord, readList, readRecord } from './read/rows'
export { findToPick } from './read/picking'
export type { Moved } from './save/moved'
export { type SaveOutcome, saveRecord } from './save/save-record'
export { SaveRequest } from './save/save-request'
export {
  type ChangedOne,
  mostTogether,
  saveTogether,
  type TogetherOutcome,
  TogetherRequest,
} from './save/save-together'
export { type TriedRecord, tryOnRecords } from './read/try-expression'
