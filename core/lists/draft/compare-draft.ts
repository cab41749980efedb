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
} from '../../book'
import { displayOf } from '../../expressions'
import { kindOf, type Now, showValue } from '../../kinds'
import { fail, ok, type Result } from '../../words'
import { readDays, sayDays, spanAnswered } from '../check/asked-days'
import { takesLetters } from '../check/comparisons'
import { factTree } from '../check/fact-tree'
import { groupablesOf } from './group-draft'

/** A field compared, while it is put together; values as they are typed. */
export interface CompareDraft {
  readonly kind: 'compare'
  readonly place: Place
  readonly how: Comparison | 'within'
  readonly typed: readonly string[]
  /** What the record is called that a link is to lead to; what is typed is the reference of it. */
  readonly called?: string | undefined
  readonly span: Span
  /** It is asked for each time the list is run; what is typed is what the question starts with. */
  readonly asked: boolean
  /** Another field that it is compared with, in place of a value. */
  readonly other?: Place | undefined
  /** Those of which it is not so. */
  readonly not?: true | undefined
}

const thisMonth: Span = { which: 'this', unit: 'month' }

export const compareDraft = (place: Place, how: CompareDraft['how']): CompareDraft => ({
  kind: 'compare',
  place,
  how,
  typed: [],
  span: thisMonth,
  asked: false,
})

/** A condition that a draft says, with what it asks for, or what it still lacks. */
export interface Said {
  readonly condition: Condition
  readonly asks: readonly Ask[]
}

export interface Saying {
  readonly book: Book
  readonly table: Table
  readonly now: Now
  /** An id for what is asked; each time another. */
  readonly newId: () => string
}

/** How many values a comparison takes. */
export const valuesTaken = (how: CompareDraft['how']): 0 | 1 | 2 =>
  how === 'within' || how === 'blank' || how === 'filled' ? 0 : how === 'between' ? 2 : 1

/** Only single values can be asked for. */
export const mayAsk = (how: CompareDraft['how']) => valuesTaken(how) === 1 && how !== 'oneOf'

/** Whether days are asked for and not one value: a month, this week, 2027. */
export const asksDays = ({ kind }: Pick<Field, 'kind'>, how: CompareDraft['how']) =>
  how === 'is' && (kind === 'date' || kind === 'dateTime')

/** Comparisons that two fields can be put to. */
const betweenFields: readonly CompareDraft['how'][] = ['is', 'isNot', 'more', 'atLeast', 'less', 'atMost']

/** The fields that one can be compared with: single ones that hold the like, near ones first. */
export function fieldsLike(book: Book, table: Table, { place, how }: Pick<CompareDraft, 'place' | 'how'>) {
  const typeOf = (id: string) => {
    const field = findField(book, id)?.field
    return field && field.kind !== 'link' ? factTree(book, field)?.type.is : undefined
  }
  const type = typeOf(place.field)
  if (!type || !betweenFields.includes(how)) return []
  return groupablesOf(book, table).filter(
    (one) => typeOf(one.place.field) === type && JSON.stringify(one.place) !== JSON.stringify(place),
  )
}

export function sayCompare(saying: Saying, draft: CompareDraft): Result<Said> {
  const { place, how, span, asked, other } = draft
  const field = findField(saying.book, place.field)?.field
  if (!field) return fail({ kind: 'no-field-chosen' })
  if (how === 'within') return ok({ condition: { kind: 'within', place, span }, asks: [] })
  if (other && betweenFields.includes(how))
    return ok({ condition: { kind: 'compare', place, how, with: [{ place: other }] }, asks: [] })
  if (field.kind === 'link' && !asked) return sayRecord(draft, field)
  const isAsked = asked && mayAsk(how)
  const read = field.kind === 'link' ? ok([]) : readTyped(saying, field, draft)
  if (!read.ok) return read
  const values = read.value
  if (isAsked) {
    const ask: Ask = { id: saying.newId(), words: field.name, place, ...(values[0] && { start: values[0] }) }
    return ok({ condition: { kind: 'compare', place, how, with: [{ ask: ask.id }] }, asks: [ask] })
  }
  if (values.length < valuesTaken(how)) return fail({ kind: 'list-value-missing', field: field.name })
  return ok({ condition: { kind: 'compare', place, how, with: values.map((value): Given => ({ value })) }, asks: [] })
}

/** A link that is to lead to one record, or to any, or to none. */
function sayRecord({ place, how, typed: [ref], called }: CompareDraft, field: Field): Result<Said> {
  if (how === 'blank' || how === 'filled') return ok({ condition: { kind: 'compare', place, how, with: [] }, asks: [] })
  if (how === 'within') return fail({ kind: 'list-value-missing', field: field.name })
  if (!ref) return fail({ kind: 'list-value-missing', field: field.name })
  const named = { value: ref, ...(called && { called: called.slice(0, limits.givenLength) }) }
  return ok({ condition: { kind: 'compare', place, how, with: [named] }, asks: [] })
}

/** What was typed, as values are stored. */
function readTyped(
  { book, now }: Saying,
  field: Field,
  { how, typed, asked }: Pick<CompareDraft, 'how' | 'typed' | 'asked'>,
): Result<string[]> {
  const face = displayOf(book, field)
  const parts = how === 'oneOf' ? (typed[0] ?? '').split(',') : typed.slice(0, valuesTaken(how))
  const written = parts.map((part) => part.trim()).filter(Boolean)
  if (written.length > limits.oneOf) return fail({ kind: 'list-too-many-values', most: limits.oneOf })
  const values: string[] = []
  const isDays = asked && asksDays(face, how)
  for (const part of written) {
    if (part.length > limits.givenLength)
      return fail({ kind: 'too-long', limit: limits.givenLength, length: part.length })
    if (takesLetters(how)) {
      values.push(part)
      continue
    }
    if (isDays) {
      const days = readDays(part, book.look, now)
      // A moment may be asked for to the minute, too.
      if (!days.ok && face.kind === 'date') return fail(days.problem)
      if (days.ok) {
        values.push(days.value)
        continue
      }
    }
    const read = kindOf(face.kind).read(part, { ...face, least: undefined, most: undefined }, book.look, now)
    if (!read.ok) return fail(read.problem)
    values.push(read.value)
  }
  return ok(values)
}

/** What a question starts with, as it was typed. */
function showStart({ look }: Book, face: Field, how: Comparison, start: string): string {
  if (takesLetters(how) || (asksDays(face, how) && spanAnswered(start))) return start
  return asksDays(face, how) && start.length !== 16 ? sayDays(start, start, look) : showValue(start, face, look)
}

/** A comparison as it was put together; nothing where it was made otherwise. */
export function reopenCompare(
  book: Book,
  { place, how, with: given }: Extract<Condition, { kind: 'compare' }>,
  asks: List['asks'],
): CompareDraft | undefined {
  const field = findField(book, place.field)?.field
  if (!field) return undefined
  const other = given.find((one) => 'place' in one)
  if (other) return { ...compareDraft(place, how), other: other.place }
  const face = displayOf(book, field)
  const show = (value: string) => showValue(value, face, book.look)
  const [first] = given
  if (first && 'ask' in first) {
    const start = asks.find(({ id }) => id === first.ask)?.start
    return { ...compareDraft(place, how), asked: true, typed: start ? [showStart(book, face, how, start)] : [] }
  }
  if (field.kind === 'link' && first && 'value' in first)
    return { ...compareDraft(place, how), typed: [first.value], ...(first.called && { called: first.called }) }
  const values = given.flatMap((one) => ('value' in one ? [takesLetters(how) ? one.value : show(one.value)] : []))
  return { ...compareDraft(place, how), typed: how === 'oneOf' ? [values.join(', ')] : values }
}
