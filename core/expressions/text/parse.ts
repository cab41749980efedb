import { parsePrimary } from './parse-primary'
import { Reader, Stopped } from './reader'
import type { BinaryOperator, Failure, Syntax } from './syntax'
import { tokensOf } from './tokens'

export type Parsed = { readonly syntax: Syntax } | Failure

/** Reads an expression of the subset of ISO SQL that docs/expressions.md describes; a problem tells where it stopped making sense. */
export function parse(source: string): Parsed {
  const cut = tokensOf(source)
  if ('problem' in cut) return cut
  const reader = new Reader(cut.tokens)
  try {
    if (reader.at('end')) reader.stop({ kind: 'expression-empty' })
    const syntax = expression(reader)
    if (!reader.at('end')) reader.stop({ kind: 'one-too-many', written: reader.next.raw })
    return { syntax }
  } catch (cause) {
    if (cause instanceof Stopped) return cause.failure
    throw cause
  }
}

/** OR binds loosest, then AND, NOT, comparison, sums and ||, products, signs. */
const expression = (reader: Reader): Syntax => reader.deeper(() => chain(reader, ['OR'], conjunction))
const conjunction = (reader: Reader): Syntax => chain(reader, ['AND'], negation)

function negation(reader: Reader): Syntax {
  const { start } = reader.next
  if (!reader.takeWord('NOT')) return comparison(reader)
  const of = reader.deeper(() => negation(reader))
  return { kind: 'not', of, start, end: of.end }
}

function comparison(reader: Reader): Syntax {
  const left = sum(reader)
  const { start } = left
  for (const operator of ['=', '<>', '<=', '>=', '<', '>'] as const) {
    if (!reader.takeSign(operator)) continue
    const right = sum(reader)
    return { kind: 'binary', operator, left, right, start, end: right.end }
  }
  if (reader.takeWord('IS')) {
    const not = reader.takeWord('NOT')
    const { end } = reader.expectWord('NULL')
    return { kind: 'isNull', not, of: left, start, end }
  }
  const not = reader.takeWord('NOT')
  if (reader.takeWord('BETWEEN')) {
    const least = sum(reader)
    reader.expectWord('AND')
    const most = sum(reader)
    return { kind: 'between', not, of: left, least, most, start, end: most.end }
  }
  if (reader.takeWord('IN')) {
    reader.expectSign('(')
    const among = reader.list(expression)
    const { end } = reader.expectSign(')')
    return { kind: 'in', not, of: left, among, start, end }
  }
  if (reader.takeWord('LIKE')) {
    const pattern = sum(reader)
    const escape = reader.takeWord('ESCAPE') ? reader.expect('text', { kind: 'escape-text' }) : undefined
    if (escape && [...escape.text].length !== 1) reader.stopAt(escape, { kind: 'escape-one' })
    return { kind: 'like', not, of: left, pattern, escape: escape?.text ?? '', start, end: escape?.end ?? pattern.end }
  }
  if (not) reader.stop({ kind: 'not-what' })
  return left
}

const sum = (reader: Reader): Syntax => chain(reader, ['+', '-', '||'], product)
const product = (reader: Reader): Syntax => chain(reader, ['*', '/'], signed)

function signed(reader: Reader): Syntax {
  const { start } = reader.next
  if (reader.takeSign('-')) {
    const of = reader.deeper(() => signed(reader))
    return { kind: 'minus', of, start, end: of.end }
  }
  if (reader.takeSign('+')) return reader.deeper(() => signed(reader))
  return parsePrimary(reader, expression)
}

/** Operators of one strength, from left to right. */
function chain(reader: Reader, operators: readonly BinaryOperator[], part: (reader: Reader) => Syntax): Syntax {
  let left = part(reader)
  for (let count = 0; ; count++) {
    const operator = operators.find((one) => (/^[A-Z]/.test(one) ? reader.takeWord(one) : reader.takeSign(one)))
    if (!operator) return left
    reader.count()
    const right = part(reader)
    left = { kind: 'binary', operator, left, right, start: left.start, end: right.end }
  }
}
