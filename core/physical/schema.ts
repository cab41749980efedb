import type { ColumnType } from '../kinds'

/** The live database as it is to be: tables in an order in which each can be made after those it points to. */
export interface LiveSchema {
  readonly tables: readonly LiveTable[]
  /** Views and triggers, which need the tables and are made when these stand. */
  readonly attached: readonly LiveAttached[]
}

export interface LiveAttached {
  readonly kind: 'VIEW' | 'TRIGGER' | 'TABLE'
  readonly name: string
  /** The id of the table that it stands on. */
  readonly table: string
  /** Another table that it is made from: where one of the two changes, it is made anew. */
  readonly from?: string
  /** What making it does, in plain words. */
  readonly say: string
  /** What makes it, also where there is an older one. */
  readonly sql: string
}

export interface LiveTable {
  /** The id of the table in the book. */
  readonly id: string
  readonly name: string
  readonly title: string
  readonly comment: string
  readonly columns: readonly LiveColumn[]
  readonly primaryKey: readonly string[]
  readonly uniques: readonly LiveIndex[]
  readonly indexes: readonly LiveIndex[]
  readonly checks: readonly LiveCheck[]
  readonly foreignKeys: readonly LiveForeignKey[]
}

export interface LiveColumn {
  /** The field's id; for one column of a composite link, with the target column's id behind a slash. */
  readonly id: string
  readonly field: string
  /** The field whose kind reads and writes the values: itself, or the key field at the end of the links. */
  readonly leaf: string
  readonly title: string
  readonly name: string
  readonly type: ColumnType
  readonly notNull: boolean
  /** A literal in SQL, where rows that lack the value get one. */
  readonly initial?: string
  readonly comment: string
}

export interface LiveIndex {
  readonly name: string
  /** The rule it holds, where it is one that was made. */
  readonly rule?: string
  readonly columns: readonly string[]
}

export interface LiveCheck {
  readonly name: string
  readonly field: string
  /** The rule it holds, where it is one that was written. */
  readonly rule?: string
  readonly sql: string
}

export interface LiveForeignKey {
  readonly name: string
  readonly link: string
  readonly columns: readonly string[]
  readonly toTable: string
  readonly toColumns: readonly string[]
  readonly onDelete: 'RESTRICT' | 'CASCADE' | 'SET NULL'
  readonly onUpdate: 'RESTRICT' | 'CASCADE'
}
