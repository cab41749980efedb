export { type Around, type CheckedRow, checkRow, type RowChecks, rowChecks } from './check-row'
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
export { type Newer, onNewer } from './newer'
export { type Named, type OpenName, openNames, withNames } from './names'
export { fillDown, type GridPaste, type GridPasted, pasteBlock } from './paste'
