export { checkRecord, type Problems, readTyped, type Values } from './check-record'
export { shownTables, formLayout, type Inset, insetLimit } from './form-layout'
export { copyText } from './copy-text'
export { keyOfRef, refOf } from './ref'
export { asNew, type Difference, differences, mergedForm, type Side, type Versions } from './merge'
export { marked, typedSince } from './typed-since'
export {
  changedRecord,
  checkForm,
  readForm,
  type Around,
  type ChangedRow,
  type FormText,
  formTextOf,
  newRowText,
  type RowText,
  type Typed,
} from './form-text'
export { type LinkedValues, type LiveValues, liveValues } from './live-values'
export type { Cursor, ListRow } from './list-row'
