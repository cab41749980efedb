export { Book, emptyBook, type Field, limits, type Link, type Need, type Pair, type Table } from './book'
export { faultsOf, readBook } from './check-book'
export { type Edit, make, readEdit, sayEdit, stepsOf } from './edits'
export { freeName } from './edits/edit-kind'
export { goesWith } from './edits/remove-table'
export {
  fieldOf,
  findField,
  findLink,
  findNeed,
  findTable,
  joiningBetween,
  linkOf,
  linksBetween,
  linksFrom,
  linksTo,
  partName,
  tableOf,
} from './find'
export { isUnique, keyHindrance, mustHold } from './keys'
export { apply, invertAll, type Step } from './steps'
