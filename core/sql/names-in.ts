import type { Book } from '../book'
import { ownTable } from '../names'
import { type PhysicalNames, physicalNames } from '../physical'
import { type Dialect, mariadb } from './dialects'

/** The names of a book as a statement of one database writes them. */
export interface NamesIn extends PhysicalNames {
  /** MariaDB's where it isn't said. */
  readonly dialect?: Dialect | undefined
}

/** The names of a book in another database, where its tables stand by themselves. */
export function namesIn(book: Book, dialect: Dialect): NamesIn {
  const names = physicalNames(book)
  const { quoteName } = dialect
  return {
    ...names,
    quoted: (id) => quoteName(names.table(id)),
    files: quoteName(ownTable),
    placed: quoteName,
    column: (alias, name) => `${alias}.${quoteName(name)}`,
    dialect,
  }
}

export const dialectOf = ({ dialect = mariadb }: NamesIn): Dialect => dialect
