import { type Book, type Field, type Table } from '../../book'
import { displayOf, factsOffered, writtenName } from '../../expressions'
import { type KindName, kindOf } from '../../kinds'
import { listed, type Problem, wordProblem } from '../../words'

/** A fact that a sentence can speak of: as it is written, as it is said, and the field it looks like. */
export interface Subject {
  readonly source: string
  readonly words: string
  readonly face: Field
}

/** The facts of a table's records and of those they lead to, own ones first. */
export function subjectsOf(book: Book, table: Table): Subject[] {
  const own = table.fields.flatMap((field): Subject[] =>
    field.kind === 'link' || field.kind === 'file'
      ? []
      : [{ source: writtenName(field.name), words: field.name, face: displayOf(book, field) }],
  )
  const further = factsOffered(book, table).map(({ source, words, field }) => ({
    source,
    words,
    face: displayOf(book, field),
  }))
  return [...own, ...further]
}

const isOf =
  (...kinds: readonly KindName[]) =>
  (subject: Subject) =>
    kinds.includes(subject.face.kind)

/** What can be said of a fact follows from what it looks like. */
export const isNumber = isOf('whole', 'exact', 'measured', 'money', 'mark')
export const isDay = isOf('date')
export const isText = isOf('line', 'passage', 'code', 'email', 'phone', 'web')
const isMoment = isOf('date', 'dateTime', 'time')
export const isOrdered = (subject: Subject) => isNumber(subject) || isMoment(subject)

export const operators = {
  '=': 'is',
  '<>': 'is not',
  '>=': 'is at least',
  '>': 'is more than',
  '<=': 'is at most',
  '<': 'is less than',
  filled: 'is filled',
  blank: 'is empty',
} as const
export type Operator = keyof typeof operators

/** What a subject is compared with: another fact, or a value as people type it. */
export type Against = { readonly fact: string } | { readonly value: string }

export interface Condition {
  readonly subject: string
  readonly operator: Operator
  readonly against: Against
}

/** What people mostly say, each an expression underneath. */
export type Sentence =
  | ({ readonly kind: 'compare' } & Condition)
  | { readonly kind: 'range'; readonly subject: string; readonly least: string; readonly most: string }
  | { readonly kind: 'if'; readonly when: Condition; readonly then: Condition }
  | { readonly kind: 'oneOf'; readonly subject: string; readonly words: string }
  | { readonly kind: 'filled'; readonly subjects: readonly string[] }
  | {
      readonly kind: 'looks'
      readonly subject: string
      readonly how: 'begins' | 'ends' | 'contains'
      readonly text: string
    }
  | {
      readonly kind: 'days'
      readonly later: string
      readonly earlier: string
      readonly least: string
      readonly most: string
    }

export interface Written {
  readonly source: string
  /** What it asks for, for staff to read where nobody writes better words: "Guests must be at least 1." */
  readonly words: string
  /** The same as something that is so: "Guests is at least 1". */
  readonly state: string
}

/** A sentence of a subject, what is so of it, and the rest: once as it is, once as it must be. */
function written(source: string, subject: string, verb: string, rest = ''): Written {
  const must = verb
    .replace(/^is not\b/, 'must not be')
    .replace(/^is\b/, 'must be')
    .replace(/^(begin|end|contain)s\b/, 'must $1')
  const say = (said: string) => [subject, said, rest].filter(Boolean).join(' ')
  return { source, words: `${say(must)}.`, state: say(verb) }
}

type Made = Written | { readonly missing: Problem }

/** A sentence as an expression and in words, or what it still lacks. */
export function writeSentence(book: Book, table: Table, sentence: Sentence): Made {
  const subjects = subjectsOf(book, table)
  const find = (source: string) => subjects.find((subject) => subject.source === source)
  switch (sentence.kind) {
    case 'compare':
      return condition(book, find, sentence)
    case 'range': {
      const subject = find(sentence.subject)
      if (!subject) return { missing: { kind: 'no-field-chosen' } }
      const [least, most] = [literal(book, subject.face, sentence.least), literal(book, subject.face, sentence.most)]
      if ('missing' in least) return least
      if ('missing' in most) return most
      const source = `${subject.source} BETWEEN ${least.source} AND ${most.source}`
      return written(source, subject.words, 'is', `from ${least.state} to ${most.state}`)
    }
    case 'if': {
      const [when, then] = [condition(book, find, sentence.when), condition(book, find, sentence.then)]
      if ('missing' in when) return when
      if ('missing' in then) return then
      const state = `if ${when.state}, then ${then.state}`
      return { source: `NOT (${when.source}) OR ${then.source}`, words: `If ${when.state}, then ${then.words}`, state }
    }
    case 'oneOf': {
      const subject = find(sentence.subject)
      const values = sentence.words.split(',').flatMap((word) => (word.trim() ? [word.trim()] : []))
      if (!subject) return { missing: { kind: 'no-field-chosen' } }
      if (values.length === 0) return { missing: { kind: 'no-words-said' } }
      const all = values.map((value) => literal(book, subject.face, value))
      const wrong = all.find((one) => 'missing' in one)
      if (wrong) return wrong
      const among = all as Literal[]
      const source = `${subject.source} IN (${among.map((one) => one.source).join(', ')})`
      return written(
        source,
        subject.words,
        'is',
        listed(
          among.map((one) => one.state),
          'or',
        ),
      )
    }
    case 'filled': {
      const some = sentence.subjects.flatMap((source) => find(source) ?? [])
      if (some.length < 2) return { missing: { kind: 'two-fields-needed' } }
      const source = some.map((subject) => `${subject.source} IS NOT NULL`).join(' OR ')
      return written(source, `At least one of ${listed(some.map((subject) => subject.words))}`, 'is', 'filled')
    }
    case 'looks':
      return looks(find(sentence.subject), sentence)
    case 'days':
      return days(find(sentence.later), find(sentence.earlier), sentence)
  }
}

function condition(
  book: Book,
  find: (source: string) => Subject | undefined,
  { subject: source, operator, against }: Condition,
): Made {
  const subject = find(source)
  if (!subject) return { missing: { kind: 'no-field-chosen' } }
  if (operator === 'filled') return written(`${source} IS NOT NULL`, subject.words, 'is', 'filled')
  if (operator === 'blank') return written(`${source} IS NULL`, subject.words, 'is', 'blank')
  const said = sayOperator(operator, subject)
  if ('fact' in against) {
    const other = find(against.fact)
    if (!other) return { missing: { kind: 'nothing-to-compare' } }
    return written(`${source} ${operator} ${other.source}`, subject.words, said, other.words)
  }
  const value = literal(book, subject.face, against.value)
  return 'missing' in value ? value : written(`${source} ${operator} ${value.source}`, subject.words, said, value.state)
}

/** Days aren't more or less, they are later or earlier. */
export function sayOperator(operator: Operator, subject: Subject): string {
  if (!isMoment(subject)) return operators[operator]
  return { ...operators, '>=': 'is not before', '>': 'is after', '<=': 'is not after', '<': 'is before' }[operator]
}

type Literal = Pick<Written, 'source' | 'state'>

/** What was typed, as an expression writes it and as people do. */
function literal(book: Book, face: Field, typed: string): Literal | { readonly missing: Problem } {
  if (!typed.trim()) return { missing: { kind: 'no-value-said' } }
  const kind = kindOf(face.kind)
  const read = kind.read(typed, { ...face, least: undefined, most: undefined }, book.look)
  if (!read.ok) return { missing: { kind: 'value-not-read', field: face.name, words: wordProblem(read.problem) } }
  const { value } = read
  const state = kind.show(value, face, book.look)
  const quoted = `'${value.replaceAll("'", "''")}'`
  switch (face.kind) {
    case 'whole':
    case 'exact':
    case 'measured':
    case 'money':
    case 'mark':
      return { source: value, state }
    case 'tick':
      return { source: value === '1' ? 'TRUE' : 'FALSE', state }
    case 'date':
      return { source: `DATE ${quoted}`, state }
    case 'time':
      return { source: `TIME ${quoted}`, state }
    case 'dateTime':
      return { source: `TIMESTAMP ${quoted.replace('T', ' ')}`, state }
    default:
      return { source: quoted, state: `“${state}”` }
  }
}

function looks(subject: Subject | undefined, { how, text }: Extract<Sentence, { kind: 'looks' }>): Made {
  if (!subject) return { missing: { kind: 'no-field-chosen' } }
  if (!text) return { missing: { kind: 'no-look-said' } }
  const plain = text.replace(/[!%_]/g, '!$&').replaceAll("'", "''")
  const pattern = { begins: `${plain}%`, ends: `%${plain}`, contains: `%${plain}%` }[how]
  const escape = plain.includes('!') ? ` ESCAPE '!'` : ''
  const said = { begins: 'begins with', ends: 'ends with', contains: 'contains' }[how]
  return written(`${subject.source} LIKE '${pattern}'${escape}`, subject.words, said, `“${text}”`)
}

function days(
  later: Subject | undefined,
  earlier: Subject | undefined,
  { least, most }: Extract<Sentence, { kind: 'days' }>,
): Made {
  if (!later || !earlier) return { missing: { kind: 'two-dates-needed' } }
  const whole = (typed: string) => (/^\d{1,5}$/.test(typed.trim()) ? Number(typed) : undefined)
  const [low, high] = [whole(least), whole(most)]
  if (low === undefined && high === undefined) return { missing: { kind: 'no-days-said' } }
  const between = `${later.source} - ${earlier.source}`
  const counted = (count: number) => `${count} ${count === 1 ? 'day' : 'days'}`
  const parts = [
    ...(low === undefined ? [] : [{ source: `${between} >= ${low}`, words: `at least ${counted(low)}` }]),
    ...(high === undefined ? [] : [{ source: `${between} <= ${high}`, words: `at most ${counted(high)}` }]),
  ]
  const source = parts.map((part) => part.source).join(' AND ')
  return written(source, later.words, 'is', `${listed(parts.map((part) => part.words))} after ${earlier.words}`)
}
