import { type Book, findField, type Limit, type Link, linksFrom, tableOf } from '../book'
import { counted, inSentence } from '../words'

/** "At most 6 visits for each premises", "At most 1 visit with State “booked” for each technician". */
export const sayLimit = (book: Book, link: Link, limit: Limit): string =>
  `At most ${whatIsLimited(book, link, limit)} for each ${oneOf(book, link)}`

/** "This premises already has 6 visits, the most it may have." */
export const sayFull = (book: Book, link: Link, limit: Limit): string =>
  `This ${oneOf(book, link)} already has ${whatIsLimited(book, link, limit)}, the most it may have.`

const oneOf = (book: Book, link: Link) => inSentence(tableOf(book, link.one).name)

function whatIsLimited(book: Book, link: Link, { most, when }: Limit): string {
  const field = when && findField(book, when.field)?.field
  const which = field ? (field.kind === 'tick' ? ` with ${field.name} ticked` : ` with ${field.name} “${when.is}”`) : ''
  return `${counted(most, whatCounts(book, link))}${which}`
}

/** The noun for what a limit counts; of a joining table, what it leads to on its other side. */
export function whatCounts(book: Book, link: Link): string {
  const many = tableOf(book, link.many)
  const far =
    many.role === 'joining' &&
    linksFrom(book, many.id).find((other) => other !== link && many.key.includes(other.field))
  return inSentence(far ? tableOf(book, far.one).name : many.name)
}

/** What a limit may be asked to count: all rows, those with a tick set, those with one word of a choice. */
export function limitConditions(
  book: Book,
  link: Link,
): { readonly say: string; readonly when?: NonNullable<Limit['when']> }[] {
  const many = tableOf(book, link.many)
  return [
    { say: 'all of them' },
    ...many.fields.flatMap((field) => {
      if (field.kind === 'tick') return [{ say: `those with ${field.name} ticked`, when: { field: field.id, is: '1' } }]
      return (field.kind === 'choice' ? (field.choices ?? []) : []).map(({ word }) => ({
        say: `those with ${field.name} “${word}”`,
        when: { field: field.id, is: word },
      }))
    }),
  ]
}
