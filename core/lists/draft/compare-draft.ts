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
import { factTree } from '../check/fact-tree'
import { groupablesOf } from './group-draft'

/** A field compared, while it is put together; values as they are typed. */
export interface CompareDraft {
  readonly kind: 'compare'
  readonly place: Place
  readonly how: Comparison | 'within'
  readonly typed: readonly string[]
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

/** Only single values can be asked for; a link can only be asked for, and needs no tick to say so. */
export const mayAsk = (how: CompareDraft['how']) => valuesTaken(how) === 1 && how !== 'oneOf'

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
  const { place, how, typed, span, asked, other } = draft
  const field = findField(saying.book, place.field)?.field
  if (!field) return fail({ kind: 'no-field-chosen' })
  if (how === 'within') return ok({ condition: { kind: 'within', place, span }, asks: [] })
  if (other && betweenFields.includes(how))
    return ok({ condition: { kind: 'compare', place, how, with: [{ place: other }] }, asks: [] })
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
