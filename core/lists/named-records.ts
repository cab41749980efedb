import { type Book, type Condition, findField, linkOf, type List } from '../book'

/** A record that a condition speaks of: the table it is of, and its reference. */
export interface NamedRecord {
  readonly table: string
  readonly ref: string
}

/** What a record is called today; undefined where that isn't known. */
type CallOf = (named: NamedRecord) => string | undefined

/** A condition with the records that it speaks of called as they are today. */
function calledIn(book: Book, condition: Condition, callOf: CallOf): Condition {
  switch (condition.kind) {
    case 'all':
    case 'any':
      return { ...condition, of: condition.of.map((one) => calledIn(book, one, callOf)) }
    case 'not':
      return { ...condition, of: calledIn(book, condition.of, callOf) }
    case 'has':
      return condition.where ? { ...condition, where: calledIn(book, condition.where, callOf) } : condition
    case 'compare': {
      if (findField(book, condition.place.field)?.field.kind !== 'link') return condition
      const table = linkOf(book, condition.place.field).one
      const given = condition.with.map((one) => {
        const called = 'value' in one ? callOf({ table, ref: one.value }) : undefined
        return called ? { ...one, called } : one
      })
      return { ...condition, with: given }
    }
    default:
      return condition
  }
}

/** A list with the records that it speaks of called as they are today. */
export function calledToday(book: Book, list: List, callOf: CallOf): List {
  const columns = list.columns.map((column) => {
    const { shows } = column
    if (shows.kind !== 'gathered' || !shows.where) return column
    return { ...column, shows: { ...shows, where: calledIn(book, shows.where, callOf) } }
  })
  return { ...list, columns, ...(list.where && { where: calledIn(book, list.where, callOf) }) }
}

/** A list without what the records that it speaks of are called: two that differ in nothing else say the same. */
export const uncalled = (list: List): List =>
  JSON.parse(JSON.stringify(list, (key, value: unknown) => (key === 'called' ? undefined : value))) as List

/** The records that lists speak of, each once. */
export function recordsNamed(book: Book, lists: readonly List[]): NamedRecord[] {
  const found = new Map<string, NamedRecord>()
  const note = (named: NamedRecord) => {
    found.set(`${named.table} ${named.ref}`, named)
    return undefined
  }
  for (const list of lists) calledToday(book, list, note)
  return [...found.values()]
}
