import type { Book, Edit, Field, Table } from '../book'

export type Weight = 'must-settle' | 'worth-a-look'

/** A way to put a thing right: edits, told beforehand. Ids for what they make come from `freshId`. */
export interface Mend {
  readonly say: string
  readonly edits: (freshId: () => string) => readonly Edit[]
}

/** What a piece says about one part of a book. */
export interface Said {
  /** The id of the part it is about. */
  readonly about: string
  readonly head: string
  /** Why it matters here, in plain words. */
  readonly text: string
  readonly mends?: readonly Mend[]
}

export interface Advice extends Said {
  readonly piece: string
  readonly weight: Weight
}

/** Looks at one table alone; what it says of a table holds until the table changes. */
export interface TablePiece {
  readonly scope: 'table'
  readonly weight: Weight
  readonly find: (table: Table) => readonly Said[]
}

/** Looks at how tables belong together. */
export interface BookPiece {
  readonly scope: 'book'
  readonly weight: Weight
  readonly find: (book: Book) => readonly Said[]
}

export type AdvicePiece = TablePiece | BookPiece

/** A piece that looks at each field by itself. */
export const fieldPiece = (
  weight: Weight,
  find: (field: Field, table: Table) => Omit<Said, 'about'> | undefined,
): TablePiece => ({
  scope: 'table',
  weight,
  find: (table) => {
    // Asked of every field of every table by many pieces, and silent nearly always.
    const all: Said[] = []
    for (const field of table.fields) {
      const said = find(field, table)
      if (said) all.push({ about: field.id, ...said })
    }
    return all
  },
})

/** "Visit → State" */
export const placeName = (table: Table, field: Field) => `${table.name} → ${field.name}`
