import {
  type Book,
  fieldOf,
  findField,
  findLink,
  findTable,
  type Hop,
  isUnique,
  linkOf,
  linkWith,
  mustHold,
  type Table,
  tableOf,
  type Way,
} from '../../book'

/** The table that a hop from another leads to; undefined where the book has no such hop. */
export function afterHop(book: Book, table: Table, hop: Hop): Table | undefined {
  if (hop.to === 'rows') {
    const link = findLink(book, hop.link)
    return link?.one === table.id ? findTable(book, link.many) : undefined
  }
  const found = findField(book, hop.field)
  return found?.table.id === table.id && found.field.kind === 'link'
    ? tableOf(book, linkOf(book, hop.field).one)
    : undefined
}

/** The table at the end of a way; undefined where the book has no such way any more. */
export function endOf(book: Book, tableId: string, way: Way): Table | undefined {
  let here = findTable(book, tableId)
  for (const hop of way) here = here && afterHop(book, here, hop)
  return here
}

/** Whether a hop may lead from one record to several: rows do, unless no two of them can be linked to the same one. */
export function isFanning(book: Book, hop: Hop): boolean {
  if (hop.to === 'one') return false
  const { many, field } = linkWith(book, hop.link)
  const table = tableOf(book, many)
  return !isUnique(table, fieldOf(table, field))
}

/** Whether a way may lead from one record to several. */
export const isSeveral = (book: Book, way: Way): boolean => way.some((hop) => isFanning(book, hop))

/**
 * Whether a way may come to the same record more than once, so that its ends must be told apart before they are counted:
 * several rows lead on to one.
 */
export function mayRepeat(book: Book, way: Way): boolean {
  const fans = way.findIndex((hop) => isFanning(book, hop))
  return fans >= 0 && way.slice(fans).some(({ to }) => to === 'one')
}

/** Whether a way may lead to nothing. */
export const mayBeNone = (book: Book, way: Way): boolean =>
  way.some((hop) => {
    if (hop.to === 'rows') return linkWith(book, hop.link).least === 0
    const { table, field } = findField(book, hop.field)!
    return !mustHold(table, field)
  })

export const sameWay = (a: Way, b: Way): boolean => JSON.stringify(a) === JSON.stringify(b)
