export { compileList, type CompiledList, keyColumns, leafOf, type ListQuery, type ListRow } from './compile-list'
export { csvCell } from './csv'
export { columnSql, labelOf, labelPlan } from './label'
export type { Cursor, Sort } from './paging'
