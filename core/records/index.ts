export { checkRecord, type Problems, readTyped, type Values } from './check-record'
export { deskTables, formLayout, type Inset, insetLimit, keyStays } from './form-layout'
export { keyOfRef, refOf } from './ref'
export { marked, typedSince } from './typed-since'
export {
  changedRecord,
  checkForm,
  readForm,
  type Around,
  type FormText,
  formTextOf,
  newRowText,
  type RowText,
} from './form-text'
export { type LinkedValues, type LiveValues, liveValues } from './live-values'
export type { Cursor, ListRow } from './list-row'
