export { changePart } from './change-part'
export { conditionFaults } from './condition-faults'
export { type FormNow, formNow, plainForm } from './form-now'
export { formsFor } from './forms-for'
export { laidAfresh } from './lay-afresh'
export { columnsCost, leftOut, onForm } from './left-out'
export { columnsOf, leastSpan } from './line-room'
export { type Direction, movePart, widenPart } from './move-part'
export { findPart, groupsIn, neighbourOf, partsInOrder, placePart, putIn, takeOut } from './place-part'
export { partNameOf } from './part-names'
export { canSum, rowSum } from './row-sum'
export { rowColumns } from './row-columns'
export { linkedField, shownLines } from './shown-lines'
export { type Side, sideAt, spotBeside } from './spot-at'
export { startFaults } from './start-faults'
export { usualLines } from './usual-lines'
export {
  type Asking,
  askedOf,
  type ConditionFault,
  conditionHindrance,
  type PartConditions,
  partConditions,
} from './part-conditions'
