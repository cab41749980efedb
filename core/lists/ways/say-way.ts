import {
  type Book,
  fieldWith,
  findField,
  findTable,
  type Hop,
  linkWith,
  type Place,
  type Table,
  tableOf,
  type Way,
} from '../../book'
import { inSentence, plural } from '../../words'
import { afterHop, endOf, isFanning, isSeveral } from './walk'

/** One stretch of a way as people see it: a hop, or the two that go through a joining table. */
export interface Stretch {
  readonly hops: Way
  readonly to: Table
  /** What it is called from where it begins: "Premises", "Technicians", "Visits by Helper". */
  readonly words: string
}

/** All that lies one stretch from a table. Joining tables can be stopped at too, for the facts they keep. */
function stretchesFrom(book: Book, table: Table): Stretch[] {
  const hops: Hop[] = [
    ...book.links.filter((link) => link.many === table.id).map(({ field }): Hop => ({ to: 'one', field })),
    ...book.links.filter((link) => link.one === table.id).map(({ id }): Hop => ({ to: 'rows', link: id })),
  ]
  return hops.flatMap((hop) => {
    const to = afterHop(book, table, hop)!
    const own: Stretch = { hops: [hop], to, words: nameOf(book, table, hop) }
    return hop.to === 'rows' && to.role === 'joining' ? [...through(book, hop, to), own] : [own]
  })
}

/** On through a joining table, to what it ties the table to. */
function through(book: Book, hop: Extract<Hop, { to: 'rows' }>, joining: Table): Stretch[] {
  const here = linkWith(book, hop.link)
  return book.links
    .filter((link) => link.many === joining.id && link.id !== here.id)
    .map((link) => {
      const to = tableOf(book, link.one)
      const alike = book.links.filter((other) => other.many === joining.id && other.one === link.one).length > 1
      const words = plural(to.name) + (alike ? ` by ${fieldWith(book, link.field).field.name}` : '')
      return { hops: [hop, { to: 'one', field: link.field }], to, words }
    })
}

function nameOf(book: Book, table: Table, hop: Hop): string {
  if (hop.to === 'one') return fieldWith(book, hop.field).field.name
  const link = linkWith(book, hop.link)
  const alike = book.links.filter((other) => other.many === link.many && other.one === table.id).length > 1
  const rows = tableOf(book, link.many).name
  return (isFanning(book, hop) ? plural(rows) : rows) + (alike ? ` by ${fieldWith(book, link.field).field.name}` : '')
}

/**
 * Where a way can go on to, but for what is no news: from rows straight back to the record they hang on, and from the
 * rows of a joining table to what they tie, which the stretch through them leads to already.
 */
export function furtherFrom(book: Book, tableId: string, way: Way): Stretch[] {
  const here = endOf(book, tableId, way)
  const last = way.at(-1)
  const all = here ? stretchesFrom(book, here) : []
  if (!here || last?.to !== 'rows') return all
  const back = linkWith(book, last.link).field
  return all.filter(({ hops: [hop] }) => hop?.to !== 'one' || (hop.field !== back && here.role !== 'joining'))
}

/** A stretch, and how many lead to the same table from where it begins. */
export interface LikelyStretch extends Stretch {
  readonly among: number
}

/** How many lists of a table go such a way. */
function timesGone({ lists }: Book, tableId: string, way: Way): number {
  const begun = JSON.stringify(way).slice(0, -1)
  return lists.filter(({ table, ...list }) => table === tableId && JSON.stringify(list).includes(`"way":${begun}`))
    .length
}

/**
 * Where a way can go on to, the ways that other lists take first. Where several lead to the same table, each says in
 * `among` how many do: whoever looks for a field there must tell which is meant.
 */
export function likelyFurther(book: Book, tableId: string, way: Way): LikelyStretch[] {
  const all = furtherFrom(book, tableId, way)
  const gone = new Map(all.map((one) => [one, timesGone(book, tableId, [...way, ...one.hops])]))
  return all
    .map((one) => ({ ...one, among: all.filter(({ to }) => to.id === one.to.id).length, gone: gone.get(one) ?? 0 }))
    .sort((a, b) => b.gone - a.gone)
    .map(({ gone: _gone, ...one }) => one)
}

/** A way cut into stretches; one that goes through a joining table and on is one. */
export function stretchesOf(book: Book, tableId: string, way: Way): Stretch[] {
  const found: Stretch[] = []
  let here = findTable(book, tableId)
  for (let at = 0; at < way.length && here;) {
    const rest = JSON.stringify(way.slice(at, at + 2))
    const all = stretchesFrom(book, here)
    const next =
      all.find(({ hops }) => hops.length === 2 && JSON.stringify(hops) === rest) ??
      all.find(({ hops }) => hops.length === 1 && JSON.stringify(hops[0]) === JSON.stringify(way[at]))
    if (!next) return found
    found.push(next)
    here = next.to
    at += next.hops.length
  }
  return found
}

/** What one record at the end of a way is called in a sentence: "certificate", or "certificate of its appliances". */
export function sayEnd(book: Book, tableId: string, way: Way, many: boolean): string {
  const stretches = stretchesOf(book, tableId, way)
  const last = stretches.at(-1)
  if (!last) return ''
  const name = inSentence(isSeveral(book, last.hops) ? last.to.name : last.words)
  const own = many ? plural(name) : name
  const before = stretches.slice(0, -1).map(({ words }) => inSentence(words))
  return before.length === 0 ? own : `${own} of its ${before.reverse().join(' of its ')}`
}

/** A field as a sentence has it: "town of its premises". */
export function sayPlace(book: Book, tableId: string, { way, field }: Place): string {
  const name = findField(book, field)?.field.name ?? 'a field that is gone'
  const through = stretchesOf(book, tableId, way).map(({ words }) => ` of its ${inSentence(words)}`)
  return inSentence(name) + through.reverse().join('')
}
