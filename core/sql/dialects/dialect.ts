import type { Tree, Type } from '../../expressions'
import type { ColumnType, Exact } from '../../kinds'
import type { WriteFunction } from '../functions'

/** How one database writes what databases write differently. What comes in is SQL already, but for texts. */
export interface Dialect {
  readonly title: 'MariaDB' | 'PostgreSQL' | 'SQLite'
  readonly quoteName: (name: string) => string
  readonly quoteText: (text: string) => string
  readonly columnType: (type: ColumnType) => string
  readonly literal: (value: string, type: Type) => string
  /** A column that is computed with as such a type. */
  readonly column: (column: string, type: Type) => string
  /** A text as it is compared: without regard to capitals and to spaces behind it. */
  readonly compared: (text: string) => string
  readonly joined: (a: string, b: string) => string
  /** A sum, difference or product of exact numbers. */
  readonly computed: (sql: string, type: Exact) => string
  /** Nothing where b is nought. */
  readonly quotient: (a: string, b: string, type: Exact) => string
  readonly shift: (of: string, tree: Extract<Tree, { kind: 'shift' }>) => string
  readonly days: (a: string, b: string) => string
  readonly like: (of: string, pattern: string, escape: string) => string
  readonly cast: (of: string, from: Type, to: Type) => string
  readonly today: string
  /** The minute it is. */
  readonly now: string
  /** Functions that are written otherwise than MariaDB writes them. */
  readonly functions: Readonly<Record<string, WriteFunction>>
}
