export { type Around, type CheckedRow, checkRow, rowChecks } from './check-row'
export {
  type CellText,
  changedFields,
  dropRows,
  emptyGrid,
  freshRow,
  type Grid,
  type GridRow,
  isEmpty,
  mostRows,
  putRows,
  storedRow,
  unsaved,
  withCells,
} from './grid'
export { onNewer } from './newer'
export { type OpenName, openNames, withNames } from './names'
export { fillDown, pasteBlock } from './paste'
