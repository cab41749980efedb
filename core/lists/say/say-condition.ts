import {
  type Book,
  type Comparison,
  type Condition,
  findField,
  findList,
  findTable,
  type Given,
  type List,
  type Place,
  type Span,
} from '../../book'
import { displayOf, writtenStored } from '../../expressions'
import { showValue } from '../../kinds'
import { aOrAn, counted, inSentence, listed } from '../../words'
import { sayHow } from '../check/comparisons'
import { endOf } from '../ways/walk'
import { sayEnd, sayPlace } from '../ways/say-way'

type Of<Kind extends Condition['kind']> = Extract<Condition, { kind: Kind }>
type Told = Pick<List, 'asks'>

/** "this month", "the last 30 days", "yesterday". */
export function saySpan({ which, unit, count }: Span): string {
  if (count !== undefined && which !== 'this') return `the ${which} ${counted(count, unit)}`
  if (unit === 'day') return { this: 'today', last: 'yesterday', next: 'tomorrow' }[which]
  return `${which} ${unit}`
}

/** A condition as it goes on after what it is about: "whose state is done", "that has no certificate". */
export function sayCondition(book: Book, tableId: string, condition: Condition, told: Told): string {
  const inner = (one: Condition) => sayCondition(book, tableId, one, told)
  switch (condition.kind) {
    case 'compare':
      return `whose ${compared(book, tableId, condition, told)}`
    case 'within':
      return `whose ${sayPlace(book, tableId, condition.place)} is ${condition.span.unit === 'day' && condition.span.count === undefined ? '' : 'in '}${saySpan(condition.span)}`
    case 'has':
      return `that has ${howMany(book, tableId, condition, told)}`
    case 'repeats': {
      const names = listed(condition.places.map((place) => sayPlace(book, tableId, place)))
      const noun = inSentence(findTable(book, tableId)?.name ?? '')
      return `of which another ${noun} has ${condition.nearly ? 'nearly ' : ''}the same ${names}`
    }
    case 'in':
      return `that is in the list ${sayListName(book, condition.list)}`
    case 'holds':
      return `of which “${writtenStored(book, condition.tree) || 'something that is gone'}” is so`
    case 'all':
    case 'any': {
      const [before, word] = condition.kind === 'all' ? ['both ', 'and'] : ['either ', 'or']
      const parts = condition.of.map(inner)
      return parts.length < 2 ? (parts[0] ?? '') : `${parts.length === 2 ? before : ''}${listed(parts, word)}`
    }
    case 'not':
      return sayOpposite(condition.of, inner)
  }
}

const sayListName = (book: Book, id: string) => {
  const list = findList(book, id)
  return list ? `“${list.name ?? 'without a name'}”` : 'that is gone'
}

/** "that is not one whose state is done", "that is neither one that has a payment nor one whose price is blank". */
function sayOpposite(of: Condition, say: (one: Condition) => string): string {
  if (of.kind !== 'any' || of.of.length < 2) return `that is not one ${say(of)}`
  return `that is neither ${of.of.map((one) => `one ${say(one)}`).join(' nor ')}`
}

function compared(book: Book, tableId: string, { place, how, with: given }: Of<'compare'>, told: Told): string {
  const field = findField(book, place.field)?.field
  const face = field && displayOf(book, field)
  const own = sayPlace(book, tableId, place)
  if (face?.kind === 'tick' && how === 'is') {
    const [first] = given
    return `${own} is ${first && 'value' in first && first.value === '1' ? 'ticked' : 'not ticked'}`
  }
  const verb = sayHow(how, face?.kind)
  const words = given.map((one) => sayGiven(book, tableId, one, place, told))
  return [own, verb, joined(how, words)].filter(Boolean).join(' ')
}

const joined = (how: Comparison, words: readonly string[]) =>
  how === 'between' ? words.join(' to ') : how === 'blank' || how === 'filled' ? '' : listed(words, 'or')

function sayGiven(book: Book, tableId: string, given: Given, place: Place, { asks }: Told): string {
  if ('place' in given) return `its ${sayPlace(book, tableId, given.place)}`
  if ('ask' in given) return `the ${inSentence(asks.find(({ id }) => id === given.ask)?.words ?? 'value')} asked for`
  const field = findField(book, place.field)?.field
  const face = field && displayOf(book, field)
  if (given.called) return `“${given.called}”`
  const shown =
    face && face.kind !== 'link' && face.kind !== 'file' ? showValue(given.value, face, book.look) : given.value
  return face && ['line', 'passage', 'code', 'email', 'phone', 'web'].includes(face.kind) ? `“${shown}”` : shown
}

function howMany(book: Book, tableId: string, { way, least, most, where }: Of<'has'>, told: Told): string {
  const end = endOf(book, tableId, way)
  const noun = (many: boolean) => sayEnd(book, tableId, way, many) || 'something that is gone'
  const only = where && end ? ` ${sayCondition(book, end.id, where, told)}` : ''
  return `${amount(least, most, noun)}${only}`
}

function amount(least: number | undefined, most: number | undefined, noun: (many: boolean) => string): string {
  if (most === 0) return `no ${noun(false)}`
  if (least === 1 && most === undefined) return aOrAn(noun(false))
  const of = (count: number) => `${count} ${noun(count !== 1)}`
  if (least !== undefined && least === most) return `exactly ${of(least)}`
  if (least && most !== undefined) return `${least} to ${of(most)}`
  if (least) return `at least ${of(least)}`
  return most === undefined ? `any ${noun(true)}` : `at most ${of(most)}`
}
