import { type Book, type Condition, limits, type List, type Table, tableOf, type Way } from '../../book'
import { readExpression, storeTree, writtenStored } from '../../expressions'
import { fail, ok, type Result, wordProblem } from '../../words'
import { endOf } from '../ways/walk'
import { compareDraft, type CompareDraft, reopenCompare, type Said, sayCompare, type Saying } from './compare-draft'

/** How many there are of what a way leads to. */
export interface HasDraft {
  readonly kind: 'has'
  readonly way: Way
  readonly amount: 'some' | 'none' | 'least' | 'most' | 'exactly'
  readonly count: string
  /** Only those of which this is so. */
  readonly of?: ConditionDraft | undefined
  readonly not?: true | undefined
}

/** That others have the same in some fields. */
export interface RepeatsDraft {
  readonly kind: 'repeats'
  readonly fields: readonly string[]
  readonly nearly: boolean
  readonly not?: true | undefined
}

/** That a record is in another kept list. */
export interface InDraft {
  readonly kind: 'in'
  readonly list: string
  readonly not?: true | undefined
}

/** What no comparison says, as an expression over the record. */
export interface WrittenDraft {
  readonly kind: 'written'
  readonly source: string
  readonly not?: true | undefined
}

/** Several conditions as one: all of them, or any; one that isn't chosen yet is nothing. */
export interface GroupDraft {
  readonly kind: 'group'
  readonly joint: 'all' | 'any'
  readonly of: readonly (ConditionDraft | undefined)[]
  readonly not?: true | undefined
}

export type ConditionDraft = CompareDraft | HasDraft | RepeatsDraft | InDraft | WrittenDraft | GroupDraft

export const hasDraft = (way: Way): HasDraft => ({ kind: 'has', way, amount: 'some', count: '2' })

/** A condition that a draft says, with what it asks for, or what it still lacks. */
export function sayDraft(saying: Saying, draft: ConditionDraft): Result<Said> {
  const said = sayPlainly(saying, draft)
  if (!said.ok || !draft.not) return said
  return ok({ ...said.value, condition: { kind: 'not', of: said.value.condition } })
}

function sayPlainly(saying: Saying, draft: ConditionDraft): Result<Said> {
  switch (draft.kind) {
    case 'compare':
      return sayCompare(saying, draft)
    case 'repeats':
      return sayRepeats(draft)
    case 'written':
      return sayWritten(saying, draft)
    case 'in':
      return ok({ condition: { kind: 'in', list: draft.list }, asks: [] })
    case 'has':
      return sayHas(saying, draft)
    case 'group':
      return sayGroup(saying, draft)
  }
}

function sayWritten({ book, table }: Saying, { source }: WrittenDraft): Result<Said> {
  if (!source.trim()) return fail({ kind: 'list-condition-missing' })
  const read = readExpression(book, table, source)
  if ('problem' in read) return fail({ kind: 'list-calculation-wrong', words: wordProblem(read.problem) })
  if (read.tree.type.is !== 'truth') return fail({ kind: 'list-condition-no-truth' })
  return ok({ condition: { kind: 'holds', tree: storeTree(read.tree) }, asks: [] })
}

function sayGroup(saying: Saying, { joint, of }: GroupDraft): Result<Said> {
  const all: Said[] = []
  for (const one of of) {
    const said = one && sayDraft(saying, one)
    if (!said) return fail({ kind: 'list-condition-missing' })
    if (!said.ok) return said
    all.push(said.value)
  }
  const [first] = all
  if (!first) return fail({ kind: 'list-condition-missing' })
  const conditions = all.map(({ condition }) => condition)
  return ok({ condition: { kind: joint, of: conditions }, asks: all.flatMap(({ asks }) => asks) })
}

function sayHas(saying: Saying, { way, amount, count, of }: HasDraft): Result<Said> {
  const end = endOf(saying.book, saying.table.id, way)
  if (!end) return fail({ kind: 'list-way-gone', table: saying.table.name })
  const number = /^\d{1,4}$/.test(count.trim()) ? Number(count) : undefined
  if (number === undefined && !['some', 'none'].includes(amount)) return fail({ kind: 'list-count-missing' })
  const where = of && sayDraft({ ...saying, table: end }, of)
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

/** A condition as it was put together; nothing where it was made otherwise. */
export function draftOfCondition(
  book: Book,
  table: Table,
  condition: Condition,
  asks: List['asks'],
): ConditionDraft | undefined {
  switch (condition.kind) {
    case 'within':
      return { ...compareDraft(condition.place, 'within'), span: condition.span }
    case 'compare':
      return reopenCompare(book, condition, asks)
    case 'repeats':
      return reopenRepeats(condition)
    case 'has':
      return reopenHas(book, table, condition, asks)
    case 'not': {
      const inner = draftOfCondition(book, table, condition.of, asks)
      return inner && !inner.not ? { ...inner, not: true } : undefined
    }
    case 'all':
    case 'any': {
      const of = condition.of.map((one) => draftOfCondition(book, table, one, asks))
      return of.includes(undefined) ? undefined : { kind: 'group', joint: condition.kind, of }
    }
    case 'in':
      return { kind: 'in', list: condition.list }
    case 'holds': {
      const source = writtenStored(book, condition.tree)
      return source ? { kind: 'written', source } : undefined
    }
  }
}

function reopenRepeats({ places, nearly }: Extract<Condition, { kind: 'repeats' }>): RepeatsDraft | undefined {
  if (places.some(({ way }) => way.length > 0)) return undefined
  return { kind: 'repeats', fields: places.map(({ field }) => field), nearly: nearly === true }
}

function reopenHas(
  book: Book,
  { id }: Table,
  { way, least, most, where }: Extract<Condition, { kind: 'has' }>,
  asks: List['asks'],
): HasDraft | undefined {
  const end = endOf(book, id, way)
  const of = where && end && draftOfCondition(book, tableOf(book, end.id), where, asks)
  const amount = amountOf(least, most)
  if (!amount || (where && !of)) return undefined
  return { kind: 'has', way, amount, count: String(least ?? most ?? 1), ...(of && { of }) }
}

/** How bounds are said; nothing where it takes two of them. */
function amountOf(least: number | undefined, most: number | undefined): HasDraft['amount'] | undefined {
  if (most === 0) return 'none'
  if (least !== undefined && most !== undefined) return least === most ? 'exactly' : undefined
  if (most !== undefined) return 'most'
  return least === 1 ? 'some' : 'least'
}
