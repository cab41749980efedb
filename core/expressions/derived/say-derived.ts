import { type Book, type Field, tableOf, fieldWith, linkWith } from '../../book'
import { kindOf } from '../../kinds'
import { inSentence, plural } from '../../words'
import { derivedOf } from './derived'
import { writtenBy, writtenName } from '../text/show'
import { type Gathering, gatheringOf, writtenStored } from './sources'
import type { AggregateName } from '../text/syntax'
import { isNumber } from '../types'

/** A derived field in a few words, for lists of fields: "Borrowed: Premises → Town". */
export function sayDerived(book: Book, field: Field): string {
  const { title } = kindOf(field.kind)
  const made = derivedOf(book, field.id)
  if ('problem' in made) return field.source === undefined ? `${title}, choose where it comes from` : title
  const frozen = made.freezes ? `, frozen once ${writtenStored(book, field.freezes)}` : ''
  const { tree } = made
  if (tree.kind === 'fact' && field.kind !== 'workedOut') {
    const way = tree.over.map((link) => `${fieldWith(book, link).field.name} → `).join('')
    return `${title}: ${way}${fieldWith(book, tree.field).field.name}`
  }
  const gathering = field.kind === 'gathered' ? gatheringOf(book, field.source) : undefined
  return gathering
    ? `${title}: ${sayGathering(book, gathering, isNumber(tree.type))}`
    : `= ${writtenStored(book, field.source)}${frozen}`
}

/** What is taken of the rows, before the fact's name: numbers have a least one, days an earliest. */
export const sayTaken = (name: Exclude<AggregateName, 'COUNT'>, number: boolean) =>
  ({ SUM: 'total of', AVG: 'average of', MIN: number ? 'least' : 'earliest', MAX: number ? 'greatest' : 'latest' })[
    name
  ]

/** What a derived field is made from in its shortest words, for its own line: "Town of its Premises", "total of Amount". */
export function sayMadeFrom(book: Book, field: Field): string {
  const made = derivedOf(book, field.id)
  if ('problem' in made) return field.source === undefined ? 'not chosen yet' : 'unfinished'
  const { tree } = made
  if (tree.kind === 'fact' && field.kind !== 'workedOut') {
    const way = tree.over.map((link) => fieldWith(book, link).field.name)
    return `${fieldWith(book, tree.field).field.name} of its ${way.join(' → ')}`
  }
  const gathering = field.kind === 'gathered' ? gatheringOf(book, field.source) : undefined
  return gathering ? sayTakenOf(book, gathering, isNumber(tree.type)) : writtenStored(book, field.source)
}

function sayGathering(book: Book, gathering: Gathering, number: boolean): string {
  const { where } = gathering
  const only = where ? `, only where ${where}` : ''
  const theirs = saidRows(book, gathering)
  const taken = sayTakenOf(book, gathering, number)
  return isCount(gathering) ? `${taken}${only}` : `${taken} of its ${theirs}${only}`
}

const isCount = ({ of, name }: Gathering) => !of || name === 'COUNT'

/** The rows of a gathering, by their link where there are several: "visits by Helper". */
function saidRows(book: Book, gathering: Gathering): string {
  const link = linkWith(book, gathering.link)
  const by = writtenBy(book, link) && ` by ${fieldWith(book, link.field).field.name}`
  return `${plural(inSentence(tableOf(book, link.many).name))}${by}`
}

function sayTakenOf(book: Book, gathering: Gathering, number: boolean): string {
  const { link, name, of } = gathering
  const table = tableOf(book, linkWith(book, link).many)
  if (!of || name === 'COUNT') return `how many ${saidRows(book, gathering)}`
  const begins = `${writtenName(table.name)}.`
  const fact = of.startsWith(begins) && !of.includes('(') ? of.slice(begins.length).replaceAll('"', '') : of
  return `${sayTaken(name, number)} ${fact}`
}
