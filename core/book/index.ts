export {
  Book,
  type Area,
  emptyBook,
  type Field,
  type Limit,
  limits,
  type Link,
  type Need,
  type Remark,
  type Rule,
  type RuleSays,
  type Table,
} from './book'
export { faultsOf, readBook } from './check-book'
export { type Edit, applyEdit, readEdit, sayEdit } from './edits'
export { freeName, numberName } from './edits/edit-kind'
export { isPlainList } from './edits/word-lists'
export { goesWith } from './edits/remove-table'
export {
  fieldOf,
  findField,
  findLink,
  findRule,
  findTable,
  joinedBy,
  joiningBetween,
  linkOf,
  linksBetween,
  linksFrom,
  linksTo,
  partName,
  tableOf,
} from './find'
export { isUnique, mustHold } from './keys'
export { wordsOf } from './words-of'
export { numberAsKey, pairAsKey } from './own-key'
export { apply, firstSets, invertAll, type Step } from './steps'
