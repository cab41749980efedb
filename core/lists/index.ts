export { compileList, type CompiledList, keyColumns, leafOf, type ListQuery } from './compile-list'
export { csvCell } from './csv'
export { columnSql, labelOf, labelPlan } from './label'
export type { Sort } from './paging'
