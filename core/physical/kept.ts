import {
  type Book,
  type Condition,
  conditionsIn,
  findField,
  fieldOf,
  type Link,
  linksFrom,
  linkWith,
  type List,
  tableOf,
  type Way,
} from '../book'
import { isDerived, kindOf } from '../kinds'
import { oncePer } from '../words'
import { columnNames, linkPairs } from './keys'
import { physicalNames } from './physical-names'

/** A sum that the database keeps of the rows that hang on each record. */
export interface KeptTotal {
  readonly field: string
  /** The column of the rows that is added up. */
  readonly column: string
  /** The columns where the sum is kept, and of how many values it is. */
  readonly sum: string
  readonly count: string
  readonly scale: number
}

/**
 * How many rows hang on each record by a link, and what they come to: a table of its own with a row for each record,
 * kept right by triggers.
 */
export interface Kept {
  readonly link: Link
  readonly name: string
  /** The columns of the key of the record, here and there, and those by which a row leads to it. */
  readonly keys: readonly { readonly own: string; readonly of: string; readonly link: string }[]
  readonly rows: string
  readonly totals: readonly KeptTotal[]
}

/** What the database keeps for those of everybody's lists that are to be ready. */
export const keptIn = oncePer((book: Book): readonly Kept[] => {
  const wanted = new Map<string, Set<string>>()
  for (const list of book.lists)
    if (list.ready && list.owner === undefined)
      for (const { link, total } of askedFor(list)) {
        if (!canBeKept(book, link)) continue
        const totals = wanted.get(link) ?? new Set<string>()
        if (total !== undefined && canBeAdded(book, link, total)) totals.add(total)
        wanted.set(link, totals)
      }
  const names = physicalNames(book)
  const taken = new Set<string>()
  // In the order of the links, so that another order of lists is no other database.
  return book.links.flatMap((link): Kept[] => {
    const totals = wanted.get(link.id)
    if (!totals) return []
    const many = tableOf(book, link.many)
    const pairs = linkPairs(book, names, link)
    const linked = pairs.map(([own]) => own).join('_')
    const base = `_kept_${names.table(link.many).slice(0, 26)}_${linked.slice(0, 24)}`.toLowerCase()
    let name = base
    for (let count = 2; taken.has(name); count++) name = `${base}_${count}`
    taken.add(name)
    return [
      {
        link,
        name,
        keys: pairs.map(([own, of], at) => ({ own: `k${at}`, of, link: own })),
        rows: 'n',
        totals: many.fields
          .filter(({ id }) => totals.has(id))
          .flatMap(({ id }) => columnNames(names, many, [id]).map((column) => ({ field: id, column })))
          .map(({ field, column }, at) => ({
            field,
            column,
            sum: `t${at}`,
            count: `c${at}`,
            scale: scaleOf(book, field) ?? 0,
          })),
      },
    ]
  })
})

interface AskedFor {
  readonly link: string
  readonly total?: string | undefined
}

/** What a list counts or adds up of the rows that hang on its records, or on others, without a condition on them. */
function askedFor({ columns, where }: List): AskedFor[] {
  const gathered = columns.flatMap(({ shows }): AskedFor[] => {
    if (shows.kind !== 'gathered' || shows.where) return []
    const link = onlyRows(shows.way)
    if (!link || !['count', 'total'].includes(shows.name)) return []
    return [{ link, ...(shows.name === 'total' && { total: shows.field }) }]
  })
  const asked = (where ? conditionsIn(where) : []).flatMap((condition: Condition): AskedFor[] => {
    const link = condition.kind === 'has' && !condition.where ? onlyRows(condition.way) : undefined
    return link ? [{ link }] : []
  })
  return [...gathered, ...asked]
}

const onlyRows = (way: Way) => (way.length === 1 && way[0]?.to === 'rows' ? way[0].link : undefined)

/**
 * Whether triggers see every change of what is counted. Nothing runs them for what a foreign key changes by itself: a
 * row that goes with another record than the one it is counted for, or a key that follows another.
 */
function canBeKept(book: Book, id: string): boolean {
  if (!book.links.some((link) => link.id === id)) return false
  const link = linkWith(book, id)
  const one = tableOf(book, link.one)
  return (
    link.one !== link.many &&
    one.key.every((key) => fieldOf(one, key).kind !== 'link') &&
    linksFrom(book, link.many).every((other) => other.id === id || other.onRemove !== 'remove')
  )
}

function canBeAdded(book: Book, link: string, field: string): boolean {
  const found = findField(book, field)
  return found?.table.id === linkWith(book, link).many && scaleOf(book, field) !== undefined
}

/** How many decimals a number has that is stored exactly; none where it is something else. */
function scaleOf(book: Book, id: string): number | undefined {
  const field = findField(book, id)?.field
  if (!field || isDerived(field)) return undefined
  const type = kindOf(field.kind).columnType(field, book.look)
  if (type?.is === 'whole') return 0
  return type?.is === 'exact' ? type.scale : undefined
}
