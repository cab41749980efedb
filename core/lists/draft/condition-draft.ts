import {
  type Ask,
  type Book,
  type Comparison,
  type Condition,
  type Field,
  findField,
  limits,
  type Given,
  type List,
  type Place,
  type Span,
  type Table,
  type Way,
} from '../../book'
import { displayOf } from '../../expressions'
import { kindOf, type Now, showValue } from '../../kinds'
import { fail, ok, type Result } from '../../words'
import { conditionsIn } from '../check/read-list'
import { conditionsOf, jointOf } from '../say/say-list'
import { endOf } from '../ways/walk'

/** A field compared, while it is put together; values as they are typed. */
export interface CompareDraft {
  readonly kind: 'compare'
  readonly place: Place
  readonly how: Comparison | 'within'
  readonly typed: readonly string[]
  readonly span: Span
  /** It is asked for each time the list is run; what is typed is what the question starts with. */
  readonly asked: boolean
}

/** How many there are of what a way leads to. */
export interface HasDraft {
  readonly kind: 'has'
  readonly way: Way
  readonly amount: 'some' | 'none' | 'least' | 'most' | 'exactly'
  readonly count: string
  /** Only those of which this is so. */
  readonly of?: CompareDraft | undefined
}

/** That others have the same in some fields. */
export interface RepeatsDraft {
  readonly kind: 'repeats'
  readonly fields: readonly string[]
  readonly nearly: boolean
}

export type ConditionDraft = CompareDraft | HasDraft | RepeatsDraft

const thisMonth: Span = { which: 'this', unit: 'month' }

export const compareDraft = (place: Place, how: CompareDraft['how']): CompareDraft => ({
  kind: 'compare',
  place,
  how,
  typed: [],
  span: thisMonth,
  asked: false,
})

export const hasDraft = (way: Way): HasDraft => ({ kind: 'has', way, amount: 'some', count: '2' })

/** A condition that a draft says, with what it asks for, or what it still lacks. */
export interface Said {
  readonly condition: Condition
  readonly asks: readonly Ask[]
}

/** How many values a comparison takes. */
export const valuesTaken = (how: CompareDraft['how']): 0 | 1 | 2 =>
  how === 'within' || how === 'blank' || how === 'filled' ? 0 : how === 'between' ? 2 : 1

/** Only single values can be asked for; a link can only be asked for, and needs no tick to say so. */
export const mayAsk = (how: CompareDraft['how']) => valuesTaken(how) === 1 && how !== 'oneOf'

interface Saying {
  readonly book: Book
  readonly table: Table
  readonly now: Now
  /** An id for what is asked. */
  readonly newId: () => string
}

export function sayDraft(saying: Saying, draft: ConditionDraft): Result<Said> {
  if (draft.kind === 'compare') return sayCompare(saying, draft)
  if (draft.kind === 'repeats') return sayRepeats(draft)
  const { way, amount, count, of } = draft
  const end = endOf(saying.book, saying.table.id, way)
  if (!end) return fail({ kind: 'list-way-gone', table: saying.table.name })
  const number = /^\d{1,4}$/.test(count.trim()) ? Number(count) : undefined
  if (number === undefined && !['some', 'none'].includes(amount)) return fail({ kind: 'list-count-missing' })
  const where = of && sayCompare({ ...saying, table: end }, of)
  if (where && !where.ok) return where
  const bounds = {
    some: { least: 1 },
    none: { most: 0 },
    least: { least: number },
    most: { most: number },
    exactly: { least: number, most: number },
  }[amount]
  return ok({
    condition: { kind: 'has', way, ...bounds, ...(where && { where: where.value.condition }) },
    asks: where ? where.value.asks : [],
  })
}

function sayRepeats({ fields, nearly }: RepeatsDraft): Result<Said> {
  if (fields.length === 0) return fail({ kind: 'no-field-chosen' })
  if (fields.length > limits.repeats)
    return fail({ kind: 'list-full', what: 'fields to compare by', most: limits.repeats })
  const places = fields.map((field) => ({ way: [], field }))
  return ok({ condition: { kind: 'repeats', places, ...(nearly && { nearly }) }, asks: [] })
}

function sayCompare(saying: Saying, draft: CompareDraft): Result<Said> {
  const { place, how, typed, span, asked } = draft
  const field = findField(saying.book, place.field)?.field
  if (!field) return fail({ kind: 'no-field-chosen' })
  if (how === 'within') return ok({ condition: { kind: 'within', place, span }, asks: [] })
  // Which record a link is to lead to is asked each time: words for it could be others by then.
  const isAsked = field.kind === 'link' ? how === 'is' : asked && mayAsk(how)
  const read = field.kind === 'link' ? ok([]) : readTyped(saying, field, how, typed)
  if (!read.ok) return read
  const values = read.value
  if (isAsked) {
    const ask: Ask = { id: saying.newId(), words: field.name, place, ...(values[0] && { start: values[0] }) }
    return ok({ condition: { kind: 'compare', place, how, with: [{ ask: ask.id }] }, asks: [ask] })
  }
  if (values.length < valuesTaken(how)) return fail({ kind: 'list-value-missing', field: field.name })
  return ok({ condition: { kind: 'compare', place, how, with: values.map((value): Given => ({ value })) }, asks: [] })
}

/** What was typed, as values are stored. */
function readTyped(
  { book, now }: Saying,
  field: Field,
  how: Exclude<CompareDraft['how'], 'within'>,
  typed: CompareDraft['typed'],
): Result<string[]> {
  const face = displayOf(book, field)
  const parts = how === 'oneOf' ? (typed[0] ?? '').split(',') : typed.slice(0, valuesTaken(how))
  const written = parts.map((part) => part.trim()).filter(Boolean)
  if (written.length > limits.oneOf) return fail({ kind: 'list-too-many-values', most: limits.oneOf })
  const values: string[] = []
  for (const part of written) {
    if (part.length > limits.givenLength)
      return fail({ kind: 'too-long', limit: limits.givenLength, length: part.length })
    const read = kindOf(face.kind).read(part, { ...face, least: undefined, most: undefined }, book.look, now)
    if (!read.ok) return fail(read.problem)
    values.push(read.value)
  }
  return ok(values)
}

/** A condition as it was put together; nothing where it was made otherwise. */
export function draftOfCondition(book: Book, condition: Condition, asks: List['asks']): ConditionDraft | undefined {
  if (condition.kind === 'within') return { ...compareDraft(condition.place, 'within'), span: condition.span }
  if (condition.kind === 'compare') return reopenCompare(book, condition, asks)
  if (condition.kind === 'repeats') return reopenRepeats(condition)
  return condition.kind === 'has' ? reopenHas(book, condition, asks) : undefined
}

function reopenRepeats({ places, nearly }: Extract<Condition, { kind: 'repeats' }>): RepeatsDraft | undefined {
  if (places.some(({ way }) => way.length > 0)) return undefined
  return { kind: 'repeats', fields: places.map(({ field }) => field), nearly: nearly === true }
}

function reopenHas(
  book: Book,
  condition: Extract<Condition, { kind: 'has' }>,
  asks: List['asks'],
): HasDraft | undefined {
  const of = condition.where && draftOfCondition(book, condition.where, asks)
  if (condition.where && of?.kind !== 'compare') return undefined
  const { way, least, most } = condition
  const amount = amountOf(least, most)
  return (
    amount && { kind: 'has', way, amount, count: String(least ?? most ?? 1), ...(of?.kind === 'compare' && { of }) }
  )
}

/** How bounds are said; nothing where it takes two of them. */
function amountOf(least: number | undefined, most: number | undefined): HasDraft['amount'] | undefined {
  if (most === 0) return 'none'
  if (least !== undefined && most !== undefined) return least === most ? 'exactly' : undefined
  if (most !== undefined) return 'most'
  return least === 1 ? 'some' : 'least'
}

function reopenCompare(
  book: Book,
  { place, how, with: given }: Extract<Condition, { kind: 'compare' }>,
  asks: List['asks'],
): CompareDraft | undefined {
  const field = findField(book, place.field)?.field
  if (!field || given.some((one) => 'place' in one)) return undefined
  // A record that is named in the condition itself was put there otherwise.
  if (field.kind === 'link' && given.some((one) => 'value' in one)) return undefined
  const face = displayOf(book, field)
  const show = (value: string) => showValue(value, face, book.look)
  const [first] = given
  if (first && 'ask' in first) {
    const start = asks.find(({ id }) => id === first.ask)?.start
    return { ...compareDraft(place, how), asked: true, typed: start ? [show(start)] : [] }
  }
  const values = given.flatMap((one) => ('value' in one ? [show(one.value)] : []))
  return { ...compareDraft(place, how), typed: how === 'oneOf' ? [values.join(', ')] : values }
}

/**
 * A list's conditions with one put in the place of another, or at the end; without what it had there where none is
 * given. What is too much is told before anything is kept.
 */
export function placed(
  list: List,
  at: number | undefined,
  said: Said | undefined,
): Result<Pick<List, 'where' | 'asks'>> {
  const before = conditionsOf(list)
  const others = at === undefined ? before : before.toSpliced(at, 1)
  const of = said ? others.toSpliced(at ?? before.length, 0, said.condition) : others
  const where: Condition | undefined = of.length > 0 ? { kind: of.length > 1 ? jointOf(list) : 'all', of } : undefined
  const asks = asksIn(where, [...list.asks, ...(said?.asks ?? [])])
  if (where && conditionsIn(where).length > limits.conditions)
    return fail({ kind: 'list-full', what: 'conditions', most: limits.conditions })
  if (asks.length > limits.asks) return fail({ kind: 'list-full', what: 'questions', most: limits.asks })
  return ok({ where, asks })
}

/** What is asked for that nothing asks any more goes; what is left is told apart by its words. */
function asksIn(where: Condition | undefined, asks: List['asks']): List['asks'] {
  const text = JSON.stringify(where ?? null)
  const taken = new Set<string>()
  return asks
    .filter(({ id }) => text.includes(JSON.stringify({ ask: id })))
    .map((ask) => {
      let words = ask.words
      for (let count = 2; taken.has(words.toLowerCase()); count++) words = `${ask.words} ${count}`
      taken.add(words.toLowerCase())
      return words === ask.words ? ask : { ...ask, words }
    })
}
