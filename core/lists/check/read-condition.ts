import {
  type Comparison,
  type Condition,
  conditionsIn,
  findField,
  limits,
  linkOf,
  type Field,
  type List,
  type Place,
  type Table,
  type Way,
} from '../../book'
import { displayOf, recheckStored, storeTree, type Tree } from '../../expressions'
import { kindOf } from '../../kinds'
import { keyOfRef } from '../../records'
import { type Problem, wordProblem } from '../../words'
import { endOf, isSeveral } from '../ways/walk'
import { sayEnd } from '../ways/say-way'
import { compareFacts, compareTree, isTurned, withinTree } from './compare-tree'
import { fits, sayHow, takesLetters } from './comparisons'
import { factTree } from './fact-tree'
import { fieldAt } from './field-at'
import { readGroup } from './read-groups'
import { isRefFor, isValue, keyLeaves } from './could-be'
import type { ReadCondition, ReadGroup, Reading } from './read-list'
import { answeredDays } from './asked-days'
import { daysOf } from './spans'

type Path = readonly number[]
type Of<Kind extends Condition['kind']> = Extract<Condition, { kind: Kind }>

const never: ReadCondition = { kind: 'always' }

/** Reads a condition over the records of a table; what is wrong in it is noted, and it then asks for nothing. */
export function readCondition(reading: Reading, table: Table, condition: Condition, path: Path): ReadCondition {
  switch (condition.kind) {
    case 'all':
    case 'any':
      return {
        kind: condition.kind,
        of: condition.of.map((one, at) => readCondition(reading, table, one, [...path, at])),
      }
    case 'not':
      return { kind: 'not', of: readCondition(reading, table, condition.of, [...path, 0]) }
    case 'has':
      return has(reading, table, condition, path)
    case 'in':
      return inList(reading, table, condition, path)
    case 'holds':
      return holds(reading, table, condition, path)
    case 'repeats':
      return repeats(reading, table, condition, path)
    case 'compare':
    case 'within':
      return compared(reading, table, condition, path)
  }
}

function fault(reading: Reading, path: Path, problem: Problem): ReadCondition {
  reading.faults.push({ at: { part: 'condition', path }, problem })
  return never
}

function has(reading: Reading, table: Table, condition: Of<'has'>, path: Path): ReadCondition {
  const { way, least, most, where } = condition
  const end = endOf(reading.book, table.id, way)
  if (!end || way.length === 0) return fault(reading, path, { kind: 'list-way-gone', table: table.name })
  if (least !== undefined && most !== undefined && least > most)
    return fault(reading, path, { kind: 'list-counts-the-wrong-way' })
  return { kind: 'has', way, end, least, most, where: where && readCondition(reading, end, where, [...path, 0]) }
}

function repeats(reading: Reading, table: Table, { places, nearly }: Of<'repeats'>, path: Path): ReadCondition {
  const of: ReadGroup[] = []
  for (const place of places) {
    const read = readGroup(reading, table, { place }, [])
    if ('problem' in read) return fault(reading, path, read.problem)
    of.push(read)
  }
  return { kind: 'repeats', of, nearly: nearly === true }
}

/** Asks what another list asks; so what is in it today is in it here. */
function inList(reading: Reading, table: Table, { list: id }: Of<'in'>, path: Path): ReadCondition {
  const { answers, through } = reading
  const other = answers.lists?.find((one) => one.id === id)
  if (!other || other.table !== table.id) return fault(reading, path, { kind: 'list-in-gone', table: table.name })
  const name = other.name ?? 'that has no name'
  if (through.lists.includes(id)) return fault(reading, path, { kind: 'list-in-circle', name })
  if (isOpen(other)) return fault(reading, path, { kind: 'list-in-open', name })
  if (!other.where) return { kind: 'always' }
  through.taken.conditions += conditionsIn(other.where).length
  if (through.taken.conditions > limits.conditions)
    return fault(reading, path, { kind: 'list-too-many-conditions', most: limits.conditions })
  const lists = [...through.lists, id]
  const inner: Reading = { ...reading, list: other, faults: [], through: { ...through, lists } }
  const read = readCondition(inner, table, other.where, [])
  const [first] = inner.faults
  if (!first) return read
  const known = first.problem.kind.startsWith('list-in-') || first.problem.kind === 'list-too-many-conditions'
  return fault(reading, path, known ? first.problem : { kind: 'list-in-wrong', name })
}

/** Whether what is in a list isn't told by its conditions alone. */
const isOpen = ({ asks, first, groups = [] }: List) =>
  asks.length > 0 || first !== undefined || groups.some((group) => group.first !== undefined)

function holds(reading: Reading, table: Table, { tree }: Of<'holds'>, path: Path): ReadCondition {
  const read = recheckStored(reading.book, table, tree)
  if ('problem' in read)
    return fault(reading, path, { kind: 'list-calculation-wrong', words: wordProblem(read.problem) })
  if (read.tree.type.is !== 'truth') return fault(reading, path, { kind: 'list-condition-no-truth' })
  return { kind: 'true', way: [], table, tree: read.tree }
}

function compared(reading: Reading, table: Table, condition: Of<'compare'> | Of<'within'>, path: Path): ReadCondition {
  const { book } = reading
  const { way } = condition.place
  const at = fieldAt(book, table, condition.place)
  if ('problem' in at) return fault(reading, path, at.problem)
  if (isSeveral(book, way))
    return fault(reading, path, { kind: 'list-compares-several', what: sayEnd(book, table.id, way, true) })
  const { end, field } = at
  if (condition.kind === 'within') {
    const fact = factTree(book, field)
    if (!fact || (fact.type.is !== 'date' && fact.type.is !== 'moment'))
      return fault(reading, path, { kind: 'list-cannot-compare', field: field.name, how: 'lies within some days' })
    const { whenever } = reading.answers
    if (whenever) return checked(reading, path, way, end, whenever(book, end, fact, condition.span), false)
    const days = daysOf(condition.span, reading.answers.now.moment.slice(0, 10), book.look)
    return checked(reading, path, way, end, withinTree(fact, days), false)
  }
  const { how } = condition
  if (!fits(how, displayOf(book, field), book.look))
    return fault(reading, path, { kind: 'list-cannot-compare', field: field.name, how: sayHow(how) })
  const other = condition.with.find((one) => 'place' in one)
  if (other) return withField(reading, table, condition, other.place, path)
  const values = valuesOf(reading, condition)
  if (values === 'unanswered') return never
  if (values === 'gone') return fault(reading, path, { kind: 'list-ask-gone' })
  if (values.length < least(how)) return fault(reading, path, { kind: 'list-value-missing', field: field.name })
  return field.kind === 'link'
    ? linked(reading, { way, end, field, how, values, path })
    : withValues(reading, { way, end, field, how, values, path })
}

/** How many values a comparison takes at least. */
const least = (how: Comparison) => (how === 'blank' || how === 'filled' ? 0 : how === 'between' ? 2 : 1)

interface Comparing {
  readonly way: Way
  readonly end: Table
  readonly field: Field
  readonly how: Comparison
  readonly values: readonly string[]
  readonly path: Path
}

function valuesOf({ list, answers }: Reading, { with: given }: Of<'compare'>) {
  const values: string[] = []
  for (const one of given) {
    if ('value' in one) values.push(one.value)
    if (!('ask' in one)) continue
    const ask = list.asks.find(({ id }) => id === one.ask)
    if (!ask) return 'gone'
    const answer = answers.given[ask.id] ?? ask.start ?? ''
    if (answer === '') return 'unanswered'
    values.push(answer)
  }
  return values
}

function withValues(reading: Reading, comparing: Comparing): ReadCondition {
  const { way, end, field, how, values, path } = comparing
  const { book } = reading
  const face = displayOf(book, field)
  const bare = how === 'blank' || how === 'filled'
  const fact = factTree(book, field)
  if (!fact) return fault(reading, path, { kind: 'list-cannot-compare', field: field.name, how: sayHow(how) })
  const days = how === 'is' ? stretchOf(reading, fact, values) : undefined
  const tree = days ? withinTree(fact, days) : compareTree(how, fact, values)
  if (!bare && !days) {
    const isFit = (value: string) => (takesLetters(how) ? value !== '' : isValue(face.kind, value))
    const wrong = values.find((value) => !isFit(value))
    if (wrong !== undefined)
      return fault(reading, path, { kind: 'list-value-wrong', field: field.name, value: wrong.slice(0, 40) })
  }
  return checked(reading, path, way, end, tree, isTurned(how))
}

/** A month, a year, or another stretch that was asked for means all of its days. */
function stretchOf({ answers, book }: Reading, { type }: Tree, [first = '']: readonly string[]) {
  if (type.is !== 'date' && type.is !== 'moment') return undefined
  return isValue('date', first) ? undefined : answeredDays(first, answers.now.moment.slice(0, 10), book.look)
}

function checked(reading: Reading, path: Path, way: Way, end: Table, tree: Tree, turned: boolean): ReadCondition {
  const read = recheckStored(reading.book, end, storeTree(tree))
  if ('problem' in read)
    return fault(reading, path, { kind: 'list-calculation-wrong', words: wordProblem(read.problem) })
  const condition: ReadCondition = { kind: 'true', way, table: end, tree: read.tree }
  return turned ? { kind: 'not', of: condition } : condition
}

/** Another field of the record, or of one it leads to: both are told from the list's own record. */
function withField(
  reading: Reading,
  table: Table,
  { place, how }: Of<'compare'>,
  other: Place,
  path: Path,
): ReadCondition {
  const found = fieldAt(reading.book, table, other)
  if ('problem' in found) return fault(reading, path, found.problem)
  const [left, right] = [place, other].map(({ way, field }) => {
    const over = way.flatMap((hop) => (hop.to === 'one' ? [hop.field] : []))
    const fact = over.length === way.length && factTree(reading.book, findField(reading.book, field)!.field)
    return fact ? { ...fact, over } : undefined
  })
  if (!left || !right || kindOf(displayOf(reading.book, found.field).kind).control === 'file')
    return fault(reading, path, { kind: 'list-cannot-compare', field: found.field.name, how: 'is compared so' })
  return checked(reading, path, [], table, compareFacts(how, left, right), isTurned(how))
}

function linked(reading: Reading, { way, end, field, how, values, path }: Comparing): ReadCondition {
  if (how === 'blank' || how === 'filled') {
    const fact: Tree = { kind: 'fact', over: [], field: field.id, type: { is: 'text' } }
    return checked(reading, path, way, end, compareTree(how, fact, []), isTurned(how))
  }
  const leaves = keyLeaves(reading.book, linkOf(reading.book, field.id).one)
  const keys = values.map((ref) => keyOfRef(ref, leaves.length))
  const wrong = values.findIndex((ref) => !isRefFor(reading.book, field, ref))
  if (wrong >= 0)
    return fault(reading, path, { kind: 'list-value-wrong', field: field.name, value: values[wrong]!.slice(0, 40) })
  const condition: ReadCondition = { kind: 'linked', way, table: end, field, keys: keys as string[][] }
  return isTurned(how) ? { kind: 'not', of: condition } : condition
}
