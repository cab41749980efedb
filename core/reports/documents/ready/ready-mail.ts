import {
  type Book,
  type Column,
  type ColumnShows,
  type Inline,
  type Mail,
  type Table,
  tableOf,
  type Template,
} from '../../../book'
import { displayOf } from '../../../expressions'
import { inSentence } from '../../../words'
import { rowWays } from '../read-rows'
import { inReach, text } from './draft'

/** Where e-mail addresses are, the likeliest first: what the record has, what it leads to, what its rows have or lead to. */
export function mailPlaces(book: Book, table: Table): readonly ColumnShows[] {
  const isAddress = (field: Table['fields'][number]) => displayOf(book, field).kind === 'email'
  const alone = inReach(book, table).flatMap(({ way, table: end }) =>
    end.fields.filter(isAddress).map(({ id }): ColumnShows => ({ kind: 'field', place: { way, field: id } })),
  )
  const several = inReach(book, table).flatMap(({ way: to, table: one }) =>
    rowWays(book, one.id)
      .filter(({ way }) => way.length === 1)
      .flatMap(({ way, end }) =>
        inReach(book, end, 1).flatMap(({ way: further, table: last }) =>
          last.fields.filter(isAddress).map(({ id }): ColumnShows => ({
            kind: 'several',
            place: { way: [...to, ...way, ...further], field: id },
            as: 'together',
          })),
        ),
      ),
  )
  return [...alone, ...several]
}

/** A document that has no e-mail of its own, with the one that goes with it where nothing else is said; undefined where there is no address to send it to. */
export function withReadyMail(book: Book, template: Template): Template | undefined {
  if (template.mail) return template
  const table = tableOf(book, template.table)
  const [shows] = mailPlaces(book, table)
  if (!shows || template.labels) return undefined
  const taken = new Set(template.columns.map(({ id }) => id))
  const columns: Column[] = []
  const columnOf = (what: ColumnShows): string => {
    let id = `m${columns.length + 1}`
    while (taken.has(id)) id += 'm'
    columns.push({ id, shows: what })
    return id
  }
  const known = table.knownBy.flatMap((field, at): Inline[] => [
    ...(at > 0 ? [text(', ')] : []),
    { kind: 'field', column: columnOf({ kind: 'field', place: { way: [], field } }) },
  ])
  const number: Inline[] = template.handed?.numbered ? [text(' '), { kind: 'said', what: 'number' }] : []
  const to = columnOf(shows)
  const about = [text(`${inSentence(table.name)} `), ...known]
  const mail: Mail = {
    to,
    subject: [text(template.name), ...number, text(' for '), ...about],
    message: [
      [text('Good day,')],
      [text(`With this e-mail you get: ${template.name}`), ...number, text(' for '), ...about, text('.')],
      [{ kind: 'said', what: 'who' }, { kind: 'turn' }, { kind: 'said', what: 'book' }],
    ],
    attached: true,
  }
  return { ...template, mail, columns: [...template.columns, ...columns] }
}
