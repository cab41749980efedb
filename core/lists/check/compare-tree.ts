import type { Comparison } from '../../book'
import type { Tree, Type } from '../../expressions'
import { shifted } from '../../kinds'
import type { Days } from './spans'

const truth: Type = { is: 'truth' }
type Operator = '=' | '<>' | '<' | '<=' | '>' | '>='

const both = (operator: 'AND' | 'OR', left: Tree, right: Tree): Tree => ({
  kind: 'binary',
  operator,
  left,
  right,
  type: truth,
})

const binary = (operator: Operator, left: Tree, right: Tree): Tree => ({
  kind: 'binary',
  operator,
  left,
  right,
  type: truth,
})

/** A value as it is stored, as an expression writes it: what is less than nought has its sign before it. */
function literal(value: string, type: Type): Tree {
  if ((type.is === 'exact' || type.is === 'measured') && value.startsWith('-'))
    return { kind: 'minus', of: literal(value.slice(1), type), type }
  return { kind: 'literal', value, type }
}

const like = (of: Tree, pattern: string): Tree => ({
  kind: 'like',
  of,
  pattern: literal(pattern, { is: 'text' }),
  escape: '!',
  type: truth,
})

/** The letters of a text with nothing in them that a pattern would take otherwise. */
const plain = (text: string) => text.replace(/[!%_]/g, '!$&')

/** A pattern as people write it: a star stands for any letters, a question mark for one. */
const pattern = (written: string) => plain(written).replace(/\*+/g, '%').replaceAll('?', '_')

/** From the first day on, and before the other. */
export function withinTree(of: Tree, { from, until }: Days): Tree {
  const at = (day: string) =>
    of.type.is === 'moment' ? literal(`${day}T00:00`, of.type) : literal(day, { is: 'date' })
  return both('AND', binary('>=', of, at(from)), binary('<', of, at(until)))
}

const next = (day: string) => shifted(day, 1, 'DAY') ?? day
const isDay = (value: string) => /^\d{4}-\d\d-\d\d$/.test(value)

/** A moment compared with a whole day: what is at most a day is before the next one begins. */
function onDay(how: Comparison, of: Tree, day: string): Tree | undefined {
  const at = (date: string) => literal(`${date}T00:00`, of.type)
  switch (how) {
    case 'is':
      return withinTree(of, { from: day, until: next(day) })
    case 'more':
      return binary('>=', of, at(next(day)))
    case 'atLeast':
      return binary('>=', of, at(day))
    case 'less':
      return binary('<', of, at(day))
    case 'atMost':
      return binary('<', of, at(next(day)))
    default:
      return undefined
  }
}

const operators: Partial<Record<Comparison, Operator>> = {
  is: '=',
  more: '>',
  atLeast: '>=',
  less: '<',
  atMost: '<=',
}

/**
 * A comparison of a fact with values as a tree, not yet checked. What "is not" says is the opposite of "is", blanks
 * among it; so the tree is that of "is", and whoever asks turns it round.
 */
export function compareTree(how: Comparison, of: Tree, values: readonly string[]): Tree {
  const [first = '', second = ''] = values
  switch (how) {
    case 'blank':
    case 'filled':
      return { kind: 'isNull', of, type: truth }
    case 'contains':
      return like(of, `%${plain(first)}%`)
    case 'begins':
      return like(of, `${plain(first)}%`)
    case 'ends':
      return like(of, `%${plain(first)}`)
    case 'looks':
      return like(of, pattern(first))
    case 'oneOf':
      return of.type.is === 'moment' && values.some(isDay)
        ? values.map((value) => compareTree('is', of, [value])).reduce((all, one) => both('OR', all, one))
        : { kind: 'in', of, among: values.map((value) => literal(value, of.type)), type: truth }
    case 'between':
      return both('AND', compareTree('atLeast', of, [first]), compareTree('atMost', of, [second]))
    case 'isNot':
      return compareTree('is', of, values)
    default: {
      const whole = of.type.is === 'moment' && isDay(first) ? onDay(how, of, first) : undefined
      return whole ?? binary(operators[how]!, of, literal(first, of.type))
    }
  }
}

/** A comparison of two facts. */
export const compareFacts = (how: Comparison, of: Tree, other: Tree): Tree =>
  binary(operators[how === 'isNot' ? 'is' : how] ?? '=', of, other)

/** Whether a comparison says the opposite of its tree. */
export const isTurned = (how: Comparison): boolean => how === 'isNot' || how === 'filled'
