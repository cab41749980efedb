export { type Dialect, mariadb, postgresql, sqlite } from './dialects'
export { expressionSql, lockSql } from './expression-sql'
export { brokenSql, changedSql, concernedSql, rowColumns, type RowOf } from './rule-sql'
export { factSql, needsView, viewColumns, viewsOf } from './views'
