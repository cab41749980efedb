export { checkRecord, isRefFor, type Problems, readForm, readTyped, startValues, type Values } from './check-record'
export { deskTables, formLayout, type FormLayout, type Inset, type PlacedField } from './form-layout'
export { keyOfRef, refOf } from './ref'
export {
  type ChangedRecord,
  changedRecord,
  checkForm,
  type CheckedForm,
  type FormText,
  formTextOf,
  newRowText,
  type RowText,
} from './form-text'
export type { Cursor, ListRow } from './list-row'
