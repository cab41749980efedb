export { checkRecord, type Problems, readTyped, startValues, type Values } from './check-record'
export { shownTables, formLayout, inRows, type Inset, insetLimit, type PlacedField } from './form-layout'
export { copyText } from './copy-text'
export { keyOfRef, refOf } from './ref'
export { asNew, type Difference, differences, mergedForm, type Side, type Versions } from './merge'
export { marked, typedSince } from './typed-since'
export { changedRecord, type ChangedRow } from './changed-record'
export { type FormContext, checkForm } from './check-form'
export {
  type FormText,
  formTextOf,
  isUntouched,
  newRowText,
  type RowText,
  type StoredForm,
  type Typed,
  typedFrom,
} from './form-text'
export { readForm } from './read-form'
export { type LinkedValues, type LiveForm, type LiveValues, liveValues, toldInForm } from './live-values'
export type { Cursor, ListRow } from './list-row'
export { pasteRows } from './paste-rows'
export { mayPaste, placeBlock, shownAs } from './pasted-block'
