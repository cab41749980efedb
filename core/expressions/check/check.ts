import { type Book, type Table, tableOf } from '../../book'
import type { Problem } from '../../words'
import { checkAggregate } from './check-aggregate'
import { checkBinary, checkShift } from './check-binary'
import { checkCall, checkCast } from './check-calls'
import { checkFact } from './check-facts'
import { checkCase, checkIn, checkLike, checkMinus, checkNot, isNull } from './check-forms'
import { eachChecked, fail, isFailure, type Outcome, type PartsOf, type Scope, type TypeOfDerived } from './check-help'
import { checkMoment, checkNumber, nothing } from './check-literals'
import { findFact, findRows } from './names'
import { parse } from '../text/parse'
import type { Failure, NamePart, Syntax } from '../text/syntax'
import type { Tree } from '../tree'

export type Checked = { readonly tree: Tree } | Failure

/** Looks the names of an expression over one table up and makes sure of its types. */
export function checkExpression(book: Book, table: Table, source: string, typeOf: TypeOfDerived): Checked {
  const parsed = parse(source)
  if ('problem' in parsed) return parsed
  const tree = checkSyntax({ book, table, typeOf }, parsed.syntax)
  return isFailure(tree) ? tree : { tree }
}

function checkSyntax(scope: Scope, syntax: Syntax): Outcome {
  switch (syntax.kind) {
    case 'number':
      return checkNumber(syntax, syntax.text)
    case 'text':
      return { kind: 'literal', value: syntax.text, type: { is: 'text' } }
    case 'boolean':
      return { kind: 'literal', value: syntax.value ? '1' : '0', type: { is: 'truth' } }
    case 'null':
      return nothing
    case 'moment':
      return checkMoment(syntax, syntax.of, syntax.text)
    case 'interval':
      return fail(syntax, { kind: 'interval-alone' })
    case 'name':
      return named(scope, syntax, false)
    case 'not':
      return withParts(scope, [syntax.of], ([of]) => checkNot(of))
    case 'minus':
      return withParts(scope, [syntax.of], ([of]) => checkMinus(of))
    case 'binary':
      return binary(scope, syntax)
    case 'between':
      return between(scope, syntax)
    case 'in':
      return withParts(scope, [syntax.of, ...syntax.among], (parts) => negated(syntax, checkIn(scope.book, parts)))
    case 'like':
      return withParts(scope, [syntax.of, syntax.pattern], ([of, pattern]) =>
        negated(syntax, checkLike(of, pattern, syntax.escape)),
      )
    case 'isNull': {
      const of = syntax.of.kind === 'name' ? named(scope, syntax.of, true) : checkSyntax(scope, syntax.of)
      return isFailure(of) ? of : negated(syntax, isNull({ tree: of, at: syntax.of }))
    }
    case 'case':
      return withParts(scope, [...syntax.whens.flat(), ...(syntax.other ? [syntax.other] : [])], checkCase)
    case 'call':
      return withParts(scope, syntax.args, (args) => checkCall(syntax.name, args, syntax))
    case 'cast':
      return withParts(scope, [syntax.of], ([of]) => checkCast(of, syntax.to, syntax))
    case 'aggregate':
      return aggregate(scope, syntax)
  }
}

/** Checks what a form is made of, and then the form itself. */
function withParts<const Written extends readonly Syntax[]>(
  scope: Scope,
  written: Written,
  form: (parts: PartsOf<Written>) => Outcome,
): Outcome {
  const parts = eachChecked(
    written,
    (one: Syntax) => checkSyntax(scope, one),
    (one) => one,
  )
  return isFailure(parts) ? parts : form(parts)
}

const negated = ({ not }: { readonly not: boolean }, made: Outcome): Outcome =>
  not && !isFailure(made) ? { kind: 'not', of: made, type: { is: 'truth' } } : made

type Form<Kind extends Syntax['kind']> = Extract<Syntax, { kind: Kind }>

/** A fact by its dotted name. */
function named(scope: Scope, syntax: Form<'name'>, bare: boolean): Outcome {
  const parts = withoutRows(scope, syntax.parts)
  const found = 'problem' in parts ? parts : findFact(scope.book, scope.table, parts)
  return 'problem' in found ? fail(syntax, found.problem) : checkFact(scope, found.over, found.field, syntax, bare)
}

function withoutRows({ rows }: Scope, parts: readonly NamePart[]): readonly NamePart[] | { readonly problem: Problem } {
  if (!rows) return parts
  const [first, ...rest] = parts
  return first!.name.toLowerCase() === rows.toLowerCase() && rest.length > 0
    ? rest
    : { problem: { kind: 'rows-named-first', rows, name: parts.at(-1)!.name } }
}

function binary(scope: Scope, syntax: Form<'binary'>): Outcome {
  const { operator, left, right } = syntax
  if ((operator !== '+' && operator !== '-') || (left.kind !== 'interval' && right.kind !== 'interval'))
    return withParts(scope, [left, right], ([a, b]) => checkBinary(scope.book, operator, a, b, syntax))
  const [base, interval] = right.kind === 'interval' ? [left, right] : [right, left]
  if (interval.kind !== 'interval' || base.kind === 'interval' || (interval === left && operator === '-'))
    return fail(syntax, { kind: 'interval-side' })
  const count = Number(interval.count) * (operator === '-' ? -1 : 1)
  return withParts(scope, [base], ([of]) => checkShift(of, count, interval.unit, interval))
}

function between(scope: Scope, { of, least, most, not, ...span }: Form<'between'>): Outcome {
  const sides = [
    { kind: 'binary', operator: '>=', left: of, right: least, start: span.start, end: least.end },
    { kind: 'binary', operator: '<=', left: of, right: most, start: span.start, end: most.end },
  ] as const
  return withParts(scope, sides, ([low, high]) =>
    negated({ not }, { kind: 'binary', operator: 'AND', left: low.tree, right: high.tree, type: { is: 'truth' } }),
  )
}

/** COUNT, SUM and the like: the first name in it says which rows are meant. */
function aggregate(scope: Scope, syntax: Form<'aggregate'>): Outcome {
  const { of, where } = syntax
  if (scope.rows) return fail(syntax, { kind: 'gathered-twice' })
  const first = firstName(of)
  if (!first) return fail(of, { kind: 'rows-missing', name: syntax.name })
  const found = findRows(scope.book, scope.table, first, syntax.by)
  if ('problem' in found) return fail(found.at, found.problem)
  const within = { ...scope, table: found.rows, rows: found.rows.name }
  const whole = of.kind === 'name' && (of.parts.length === 1 || of.parts.at(-1)!.name === '*')
  return withParts(within, [...(where ? [where] : []), ...(whole ? [] : [of])], (parts) =>
    checkAggregate(syntax.name, found.link, {
      of: whole ? undefined : parts.at(-1)!,
      where: where && parts[0]!,
      called: of.kind === 'name' ? of.parts.at(-1)!.name : undefined,
      rows: tableOf(scope.book, found.link.many),
      at: of,
    }),
  )
}

function firstName(syntax: Syntax): NamePart | undefined {
  if (syntax.kind === 'name') return syntax.parts[0]
  const parts = Object.values(syntax).flat(2) as unknown[]
  for (const part of parts) {
    const found = typeof part === 'object' && part !== null && 'kind' in part ? firstName(part as Syntax) : undefined
    if (found) return found
  }
  return undefined
}
