import { type Book, type Field, findField, type Table, tableOf } from '../book'
import { kindOf } from '../kinds'
import { inSentence, plural } from '../words'
import { derivedOf } from './derived'
import { writtenName } from './show'
import { gatheringOf, writtenSource } from './sources'

/** A derived field in a few words, for lists of fields: "Borrowed: Premises → Town". */
export function sayDerived(book: Book, table: Table, field: Field): string {
  const { title } = kindOf(field.kind)
  const made = derivedOf(book, field.id)
  if ('because' in made) return field.source === undefined ? `${title}, says not yet what` : title
  const frozen = made.freezes ? `, frozen once ${writtenSource(book, table, field.freezes)}` : ''
  const { tree } = made
  if (tree.kind === 'fact' && field.kind !== 'workedOut') {
    const way = tree.over.map((link) => `${findField(book, link)!.field.name} → `).join('')
    return `${title}: ${way}${findField(book, tree.field)!.field.name}`
  }
  const gathering = field.kind === 'gathered' ? gatheringOf(book, field.source) : undefined
  return gathering
    ? `${title}: ${sayGathering(book, gathering)}`
    : `= ${writtenSource(book, table, field.source)}${frozen}`
}

const taken = { COUNT: 'how many', SUM: 'total of', AVG: 'average of', MIN: 'least of', MAX: 'greatest of' } as const

function sayGathering(book: Book, { rows, name, of, where }: NonNullable<ReturnType<typeof gatheringOf>>): string {
  const table = tableOf(book, rows)
  const only = where ? `, only where ${where}` : ''
  const theirs = plural(inSentence(table.name))
  if (!of) return `how many ${theirs}${only}`
  const begins = `${writtenName(table.name)}.`
  const fact = of.startsWith(begins) && !of.includes('(') ? of.slice(begins.length).replaceAll('"', '') : of
  return `${taken[name]} ${fact} of its ${theirs}${only}`
}
