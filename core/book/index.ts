export {
  AnyJson,
  Book,
  type Area,
  type Field,
  type Limit,
  type Link,
  type Need,
  type Remark,
  type Rule,
  type RuleSays,
  type Table,
} from './book'
export {
  type Ask,
  type Column,
  type ColumnShows,
  type Comparison,
  type Along,
  type Condition,
  type Given,
  type Hop,
  List,
  type ChartKind,
  type Figure,
  type Group,
  type Measure,
  type Shown,
  type Order,
  type Place,
  type Span,
  type Way,
} from './list'
export { Form, type FormGroup, type FormLines, type FormPart, type PlainPart } from './form'
export { coloursOf, lookFaults, readableLook } from './form-colours'
export { formColumns, formRoles } from './form-columns'
export { FormLook } from './form-look'
export { contrastOnPaper, darkEnough, leastContrast } from './contrast'
export { Letterhead, type Paper, type PaperName, Picture, Report } from './report'
export {
  type Block,
  blocksIn,
  type CodeKind,
  codeKinds,
  type Handed,
  type Inline,
  type Labels,
  linesIn,
  linesOfMail,
  picturesIn,
  Mail,
  type RowsBlock,
  Template,
  type Window,
  windows,
  type Writing,
} from './template'
export { conditionsIn } from './conditions'
export { emptyBook } from './empty-book'
export { limits } from './limits'
export { faultsOf, readBook } from './check-book'
export { type Edit, applyEdit, readEdit, sayEdit } from './edits'
export { freeName, numberName } from './edits/edit-kind'
export { goesWith } from './edits/remove-table'
export {
  fieldOf,
  fieldWith,
  findField,
  findForm,
  findLink,
  findList,
  findReport,
  findTemplate,
  findRule,
  findTable,
  joinedBy,
  joiningBetween,
  linkOf,
  linkWith,
  linksBetween,
  linksFrom,
  linksTo,
  partName,
  tableOf,
} from './find'
export { bookId } from './steps'
export { isUnique, mustHold } from './keys'
export { isPlainList, wordsOf } from './words-of'
export { numberAsKey, pairAsKey } from './own-key'
export { apply, firstSets, invertAll, type Step } from './steps'
