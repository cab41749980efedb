export { compileList, keyColumns, leafOf, type ListQuery } from './compile-list'
export { csvCell, guardFormula } from './csv'
export type { Sort } from './paging'
export type { StoredRow } from './row-reader'
