import { type Book, type Comparison, conditionsIn, findTable, type List, tableOf } from '../book'
import { capital, listed } from '../words'
import { nameOf } from './say/say-list'

/** The lists that ask for one of some fields or links. */
function listsAskingFor(book: Book, ids: readonly string[]): List[] {
  // Ids are found as whole texts, in ways, places, and the trees of calculations alike.
  const wanted = ids.map((id) => JSON.stringify(id))
  return book.lists.filter(({ columns, where, asks, groups }) => {
    const text = JSON.stringify([columns, where ?? null, asks, groups ?? []])
    return wanted.some((id) => text.includes(id))
  })
}

/** How what is answered to a question of a list is compared; simply, where nothing asks for it. */
export function howAsked({ where, columns }: List, ask: string): Comparison {
  const gathered = columns.flatMap(({ shows }) => (shows.kind === 'gathered' && shows.where ? [shows.where] : []))
  for (const condition of [...(where ? [where] : []), ...gathered].flatMap(conditionsIn))
    if (condition.kind === 'compare' && condition.with.some((one) => 'ask' in one && one.ask === ask))
      return condition.how
  return 'is'
}

/** A list that can be asked of one record: which of what it asks for is that record. */
export interface RecordList {
  readonly id: string
  readonly name: string
  readonly ask: string
}

/** The lists that ask for a record of a table, as far as the opened book has what they ask for. */
export const listsOfRecord = (book: Book, lists: readonly List[], tableId: string): RecordList[] =>
  lists.flatMap((list) =>
    list.asks.flatMap(({ id: ask, place }) => {
      const link = book.links.find(({ field }) => field === place.field)
      return link?.one === tableId && findTable(book, list.table)
        ? [{ id: list.id, name: nameOf(book, list), ask }]
        : []
    }),
  )

/** Which lists ask for a field, in words; nothing where none does. */
export function saidOfField(book: Book, fieldId: string): string | undefined {
  const link = book.links.find(({ field }) => field === fieldId)
  const asking = listsAskingFor(book, [fieldId, ...(link ? [link.id] : [])])
  return asking.length > 0 ? `Asked for by ${named(book, asking)}.` : undefined
}

/** What lists lose with a table, in words: those that are of it go, others ask for something of it. */
export function saidOfTable(book: Book, tableId: string): string[] {
  const going = book.lists.filter(({ table }) => table === tableId)
  const links = book.links.filter(({ one, many }) => one === tableId || many === tableId)
  const ids = [...tableOf(book, tableId).fields.map(({ id }) => id), ...links.flatMap(({ id, field }) => [id, field])]
  const asking = listsAskingFor(book, ids).filter((list) => !going.includes(list))
  return [
    ...(going.length > 0 ? [`${capital(named(book, going))} ${going.length === 1 ? 'goes' : 'go'} too.`] : []),
    ...(asking.length > 0 ? [`It is asked for by ${named(book, asking)}.`] : []),
  ]
}

/** "the lists “A” and “B”, and a list that somebody keeps for themselves": those are counted and not named. */
function named(book: Book, lists: readonly List[]): string {
  const shared = lists.filter(({ owner }) => owner === undefined).map((list) => `“${nameOf(book, list)}”`)
  const own = lists.length - shared.length
  return [
    ...(shared.length > 0 ? [`the ${shared.length === 1 ? 'list' : 'lists'} ${listed(shared)}`] : []),
    ...(own > 0
      ? [`${own === 1 ? 'a list that somebody keeps' : `${own} lists that people keep`} for themselves`]
      : []),
  ].join(', and ')
}
