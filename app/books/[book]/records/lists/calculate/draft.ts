import type { Along, Book, Column, ColumnShows, Table } from '@/core/book'
import { readExpression, storeTree, writtenStored } from '@/core/expressions'
import { joinableFacts, joinSource, numberColumns, type ReadColumn, sayAlong } from '@/core/lists'
import { capital, inSentence, listed } from '@/core/words'

/** A calculated column while it is put together; what was chosen in one manner stays while another is looked at. */
export interface Draft {
  readonly kind: 'join' | 'among' | 'write'
  /** The facts that are joined, as they are written, in their order. */
  readonly joined: readonly string[]
  readonly between: string
  readonly column: string
  readonly name: Along
  readonly source: string
}

export const kinds = [
  { value: 'join', words: 'Fields joined as one' },
  { value: 'among', words: 'A number among all others' },
  { value: 'write', words: 'Written' },
] as const

/** What a dialog begins with. */
export function draftOf(book: Book, column: Column | undefined): Draft {
  const empty: Draft = { kind: 'join', joined: [], between: ' ', column: '', name: 'share', source: '' }
  if (column?.shows.kind === 'along')
    return { ...empty, kind: 'among', column: column.shows.column, name: column.shows.name }
  if (column?.shows.kind === 'calculated')
    return { ...empty, kind: 'write', source: writtenStored(book, column.shows.tree) }
  return empty
}

interface Made {
  /** None where something is still missing or wrong. */
  readonly shows?: ColumnShows
  /** What stands above it unless it is given a name. */
  readonly usual: string
}

/** The column that a draft comes to. */
export function madeOf(book: Book, table: Table, columns: readonly ReadColumn[], draft: Draft): Made {
  switch (draft.kind) {
    case 'join': {
      const facts = joinableFacts(book, table)
      const words = draft.joined.map((source) => facts.find((one) => one.source === source)?.words ?? source)
      const usual = capital(listed(words.map((one) => inSentence(one.split(' → ').at(-1) ?? one)))).slice(0, 60)
      return draft.joined.length < 2
        ? { usual }
        : { ...shown(book, table, joinSource(draft.joined, draft.between)), usual }
    }
    case 'among': {
      const of = numberColumns(book, columns).find(({ id }) => id === draft.column)
      if (!of) return { usual: '' }
      return { shows: { kind: 'along', column: of.id, name: draft.name }, usual: sayAlong(draft.name, of).slice(0, 60) }
    }
    case 'write':
      return { ...shown(book, table, draft.source), usual: '' }
  }
}

function shown(book: Book, table: Table, source: string): Pick<Made, 'shows'> {
  const read = source.trim() ? readExpression(book, table, source) : undefined
  return read && 'tree' in read ? { shows: { kind: 'calculated', tree: storeTree(read.tree) } } : {}
}
