import { checkChoice } from './check-facts'
import type { Book } from '../../book'
import { castTo, fail, isFailure, type Outcome, type Part, together, unlikeOf } from './check-help'
import type { Node } from '../tree'
import { isNumber, type Type } from '../types'

const truth: Type = { is: 'truth' }

export function checkNot(of: Part): Outcome {
  return unlikeOf([of], 'truth')
    ? fail(of.at, { kind: 'not-needs-truth', found: of.tree.type.is })
    : { kind: 'not', of: of.tree, type: truth }
}

export const checkMinus = ({ tree, at }: Part): Outcome =>
  isNumber(tree.type)
    ? { kind: 'minus', of: tree, type: tree.type }
    : fail(at, { kind: 'sign-needs-number', found: tree.type.is })

/** The first part is looked for among the others. */
export function checkIn(book: Book, parts: readonly Part[]): Outcome {
  const [first, ...others] = parts
  const unlike = checkChoice(book, first!, others)
  if (unlike) return unlike
  const one = together(parts)
  if (isFailure(one)) return one
  const [of, ...among] = parts.map(({ tree }) => castTo(tree, one.type))
  return { kind: 'in', of: of!, among, type: truth }
}

export function checkLike(of: Part, pattern: Part, escape: string): Outcome {
  const unlike = unlikeOf([of, pattern], 'text')
  return unlike
    ? fail(unlike.at, { kind: 'compares-texts', found: unlike.tree.type.is })
    : { kind: 'like', of: of.tree, pattern: pattern.tree, escape, type: truth }
}

export const isNull = ({ tree }: Part): Node<'isNull'> => ({ kind: 'isNull', of: tree, type: truth })

/** What is chosen among has one type; what chooses is true or not. Each test with its value, then what is so otherwise. */
export function checkCase(parts: readonly Part[]): Outcome {
  const whens = Array.from({ length: Math.floor(parts.length / 2) }, (_, at) => parts.slice(2 * at, 2 * at + 2))
  const other = parts.length % 2 === 1 ? parts.at(-1) : undefined
  const unlike = unlikeOf(
    whens.map(([test]) => test!),
    'truth',
  )
  if (unlike) return fail(unlike.at, { kind: 'when-needs-truth', found: unlike.tree.type.is })
  const one = together([...whens.map(([, value]) => value!), ...(other ? [other] : [])])
  if (isFailure(one)) return one
  return {
    kind: 'case',
    whens: whens.map(([test, value]) => [test!.tree, castTo(value!.tree, one.type)] as const),
    ...(other && { other: castTo(other.tree, one.type) }),
    type: one.type,
  }
}
