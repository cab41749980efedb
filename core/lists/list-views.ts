import { nth } from '../words'
import { type Book, conditionsIn, type List } from '../book'
import { type Dialect, namesIn } from '../sql'
import { readList } from './check/check-list'
import { openWithin } from './check/open-days'
import { nameOf, sayList } from './say/say-list'
import { listQuery, namesApart } from './statement/view-sql'

/** Why a list can't stand as a view by itself; nothing where it can. */
function hindrance({ where, columns }: List): string | undefined {
  const gathered = columns.flatMap(({ shows }) => (shows.kind === 'gathered' && shows.where ? [shows.where] : []))
  const all = [...(where ? [where] : []), ...gathered].flatMap(conditionsIn)
  if (all.some((one) => one.kind === 'repeats' && one.nearly)) return 'it asks for what is nearly the same'
  return undefined
}

/**
 * Everybody's lists as views of another database, after its tables; what is asked each time is left open there. Those
 * that can't be said there are named at the end, with why.
 */
export function listViews(book: Book, dialect: Dialect): string {
  // What one database keeps ready, another doesn't.
  const lists = book.lists.filter(({ owner }) => owner === undefined).map(({ ready: _ready, ...list }) => list)
  const plain: Book = { ...book, lists }
  const names = namesIn(plain, dialect)
  const views: string[] = []
  const left: string[] = []
  const tables = book.tables.flatMap(({ id }) => [names.table(id), names.view(id)])
  const called = namesApart(
    lists.map((list) => nameOf(plain, list)),
    new Set(tables.map((name) => name.toLowerCase())),
  )
  for (const [at, list] of lists.entries()) {
    const given = Object.fromEntries(list.asks.map(({ id }) => [id, '']))
    const found = readList(plain, list, { given, now: { moment: '2000-01-01T00:00' }, whenever: openWithin, lists })
    const why = 'read' in found ? hindrance(list) : 'something that it asks for is gone'
    const said = remark(sayList(plain, list))
    if ('read' in found && why === undefined)
      views.push(
        `-- ${said}\nCREATE VIEW ${dialect.quoteName(nth(called, at))} AS\n${listQuery(plain, found.read, names)};\n`,
      )
    else left.push(`-- ${remark(nameOf(plain, list))}: ${why ?? ''}`)
  }
  const rest = left.length > 0 ? `\n-- Lists that are no views here:\n${left.join('\n')}\n` : ''
  return views.length + left.length > 0 ? `\n${views.join('\n')}${rest}` : ''
}

const remark = (words: string) => words.replace(/\s+/g, ' ')
