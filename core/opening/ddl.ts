import { quoteText } from '../kinds'
import { collation, ownTable, quoteName } from '../names'
import { mariadb } from '../sql'
import type { LiveCheck, LiveColumn, LiveForeignKey, LiveIndex, LiveSchema, LiveTable } from '../physical'

const list = (names: readonly string[]) => `(${names.map(quoteName).join(', ')})`

export function columnSql(column: LiveColumn): string {
  const initial = column.initial === undefined ? '' : ` DEFAULT ${column.initial}`
  return `${quoteName(column.name)} ${mariadb.columnType(column.type)}${column.notNull ? ' NOT NULL' : ' NULL'}${initial} COMMENT ${quoteText(column.comment)}`
}

export const checkSql = (check: LiveCheck) => `CONSTRAINT ${quoteName(check.name)} CHECK (${check.sql})`
export const uniqueSql = (unique: LiveIndex) => `UNIQUE KEY ${quoteName(unique.name)} ${list(unique.columns)}`
export const indexSql = (key: LiveIndex) => `KEY ${quoteName(key.name)} ${list(key.columns)}`
const foreignKeySql = (key: LiveForeignKey) =>
  `CONSTRAINT ${quoteName(key.name)} FOREIGN KEY ${list(key.columns)} REFERENCES ${quoteName(key.toTable)} ${list(key.toColumns)} ON DELETE ${key.onDelete} ON UPDATE ${key.onUpdate}`

/** The table without its foreign keys, which come when all tables stand. */
export function createTableSql(table: LiveTable): string {
  const lines = [
    ...table.columns.map(columnSql),
    "`row_rev` INT UNSIGNED NOT NULL DEFAULT 1 COMMENT 'Goes up by one with every change'",
    '`changed_at` DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3)',
    '`changed_by` VARCHAR(80) NULL',
    ...(table.primaryKey.length > 0 ? [`PRIMARY KEY ${list(table.primaryKey)}`] : []),
    ...table.uniques.map(uniqueSql),
    ...table.indexes.map(indexSql),
    ...table.checks.map(checkSql),
  ]
  return `CREATE TABLE IF NOT EXISTS ${quoteName(table.name)} (\n  ${lines.join(',\n  ')}\n) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=${collation} COMMENT=${quoteText(table.comment)}`
}

/** Where files and pictures lie. */
export const createFileTableSql = `CREATE TABLE IF NOT EXISTS ${quoteName(ownTable)} (
  \`hash\` CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'SHA-256 of name and contents',
  \`file_name\` VARCHAR(200) NOT NULL,
  \`media_type\` VARCHAR(100) NOT NULL,
  \`size\` INT UNSIGNED NOT NULL COMMENT 'bytes',
  \`contents\` LONGBLOB NOT NULL,
  \`thumbnail\` MEDIUMBLOB NULL COMMENT 'a small WebP, for pictures',
  \`stored_at\` DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (\`hash\`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=${collation} COMMENT='Files and pictures'`

export const addForeignKeySql = (table: string, key: LiveForeignKey) =>
  `ALTER TABLE ${quoteName(table)} ADD ${foreignKeySql(key).replace('FOREIGN KEY', 'FOREIGN KEY IF NOT EXISTS')}`

/** The whole script for a new database, one statement an entry. */
export const createAllSql = (schema: LiveSchema): string[] => [
  createFileTableSql,
  ...schema.tables.map(createTableSql),
  ...schema.tables.flatMap((table) => table.foreignKeys.map((key) => addForeignKeySql(table.name, key))),
]
