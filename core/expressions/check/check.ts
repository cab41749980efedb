import { type Book, type Field, findField, linkOf, type Table, tableOf } from '../../book'
import { isDerived } from '../../kinds'
import { listed } from '../../words'
import { checkBinary } from './check-binary'
import { checkCall, checkCast } from './check-calls'
import { checkGathered } from './check-gathered'
import {
  castTo,
  type Checking,
  fail,
  type Failure,
  isFailure,
  type Outcome,
  type Scope,
  together,
  type TypeOfDerived,
} from './check-help'
import { readMoment } from '../run/dates'
import { findFact, nearNames } from './names'
import { mostScale } from '../numbers'
import { parse } from '../text/parse'
import { type ExpressionProblem, type NamePart, type Syntax, uncomputed } from '../text/syntax'
import type { Tree } from '../tree'
import { isNumber, typeOfField, typeWords } from '../types'

export type Checked = { readonly tree: Tree } | { readonly problem: ExpressionProblem }

/** Looks the names of an expression over one table up and makes sure of its types. */
export function checkExpression(book: Book, table: Table, source: string, typeOf: TypeOfDerived): Checked {
  const parsed = parse(source)
  if ('problem' in parsed) return parsed
  const tree = new Checker(book, { table }, typeOf).check(parsed.syntax)
  return isFailure(tree) ? { problem: tree.problem } : { tree }
}

class Checker implements Checking {
  constructor(
    readonly book: Book,
    readonly scope: Scope,
    readonly typeOf: TypeOfDerived,
  ) {}

  /** For what is gathered: over the rows of another table. */
  within = (rows: Table) => new Checker(this.book, { table: rows, rows: rows.name }, this.typeOf)

  check = (syntax: Syntax): Outcome => {
    switch (syntax.kind) {
      case 'number':
        return this.number(syntax)
      case 'text':
        return { kind: 'literal', value: syntax.text, type: { is: 'text' } }
      case 'boolean':
        return { kind: 'literal', value: syntax.value ? '1' : '0', type: { is: 'truth' } }
      case 'null':
        return { kind: 'literal', value: null, type: { is: 'nothing' } }
      case 'moment':
        return this.moment(syntax)
      case 'interval':
        return fail(syntax, 'An interval is added to a date or taken from one; it can’t stand alone.')
      case 'name':
        return this.fact(syntax.parts, syntax, false)
      case 'not':
      case 'minus':
        return this.prefixed(syntax)
      case 'binary':
        return checkBinary(this, syntax)
      case 'between':
        return this.between(syntax)
      case 'in':
        return this.among(syntax)
      case 'like':
        return this.like(syntax)
      case 'isNull':
        return this.blank(syntax)
      case 'case':
        return this.cases(syntax)
      case 'call':
        return checkCall(this, syntax)
      case 'cast':
        return checkCast(this, syntax)
      case 'aggregate':
        return checkGathered(this, syntax)
    }
  }

  private number(syntax: Extract<Syntax, { kind: 'number' }>): Outcome {
    const [whole = '', fraction = ''] = syntax.text.split('.')
    const plain = whole.replace(/^0+(?=\d)/, '')
    if (plain.length + fraction.length > 40 || fraction.length > mostScale)
      return fail(syntax, 'A number may have at most 40 digits.')
    const value = fraction ? `${plain || '0'}.${fraction}` : plain || '0'
    return { kind: 'literal', value, type: { is: 'exact', whole: Math.max(1, plain.length), scale: fraction.length } }
  }

  private moment(syntax: Extract<Syntax, { kind: 'moment' }>): Outcome {
    const value = readMoment(syntax.of, syntax.text)
    const forms = { DATE: '’2027-03-12’', TIME: '’09:30’', TIMESTAMP: '’2027-03-12 09:30’' }
    if (!value)
      return fail(
        syntax,
        `“${syntax.text}” is no such ${syntax.of.toLowerCase()}. It is written ${syntax.of} ${forms[syntax.of]}.`,
      )
    return {
      kind: 'literal',
      value,
      type: { is: ({ DATE: 'date', TIME: 'time', TIMESTAMP: 'moment' } as const)[syntax.of] },
    }
  }

  /** A fact by its dotted name. A link by itself is one only where it is asked whether it is blank. */
  fact(written: readonly NamePart[], span: Syntax, linkToo: boolean): Outcome {
    const parts = this.scope.rows ? this.withoutRows(written) : written
    if (!Array.isArray(parts)) return fail(span, (parts as { words: string }).words)
    const found = findFact(this.book, this.scope.table, parts as readonly NamePart[])
    if ('words' in found) return fail(span, found.words)
    const { field, over } = found
    if (field.kind === 'link' && !linkToo) {
      const target = this.targetOf(field)
      return fail(
        span,
        `${field.name} is a link. Write which field of it is meant, such as ${field.name}.${target.fields[0]?.name ?? 'Name'}.`,
      )
    }
    if (uncomputed.includes(field.kind) && !linkToo)
      return fail(span, `${field.name} holds a file, which can only be asked whether it is empty.`)
    if (isDerived(field)) return this.derived(field, over, span)
    const type =
      field.kind === 'link' || uncomputed.includes(field.kind)
        ? ({ is: 'text' } as const)
        : typeOfField(field, this.book.look)
    if (!type) return fail(span, `${field.name} can’t be used in a calculation.`)
    return { kind: 'fact', over, field: field.id, type }
  }

  private derived(field: Field, over: readonly string[], span: Syntax): Outcome {
    const made = this.typeOf(field)
    return 'because' in made ? fail(span, made.because) : { kind: 'fact', over, field: field.id, type: made.type }
  }

  private targetOf = (field: Field) => tableOf(this.book, linkOf(this.book, field.id).one)

  private withoutRows(parts: readonly NamePart[]): readonly NamePart[] | { words: string } {
    const { rows } = this.scope
    const [first, ...rest] = parts
    if (first!.name.toLowerCase() !== rows!.toLowerCase() || rest.length === 0)
      return {
        words: `Within COUNT, SUM and the like every name begins with the rows’: ${rows!}.${parts.at(-1)!.name}.`,
      }
    return rest
  }

  private prefixed(syntax: Extract<Syntax, { kind: 'not' | 'minus' }>): Outcome {
    const of = this.check(syntax.of)
    if (isFailure(of)) return of
    if (syntax.kind === 'not') {
      if (of.type.is !== 'truth' && of.type.is !== 'nothing')
        return fail(syntax.of, `NOT needs something that is true or not; this is ${typeWords[of.type.is]}.`)
      return { kind: 'not', of, type: { is: 'truth' } }
    }
    if (!isNumber(of.type)) return fail(syntax.of, `Only a number has a sign; this is ${typeWords[of.type.is]}.`)
    return { kind: 'minus', of, type: of.type }
  }

  private between({ of, least, most, not, ...span }: Extract<Syntax, { kind: 'between' }>): Outcome {
    const side = (operator: '>=' | '<=', right: Syntax) =>
      ({ kind: 'binary', operator, left: of, right, start: span.start, end: right.end }) as const
    const [low, high] = [this.check(side('>=', least)), this.check(side('<=', most))]
    if (isFailure(low)) return low
    if (isFailure(high)) return high
    const both: Tree = { kind: 'binary', operator: 'AND', left: low, right: high, type: { is: 'truth' } }
    return not ? { kind: 'not', of: both, type: { is: 'truth' } } : both
  }

  private among(syntax: Extract<Syntax, { kind: 'in' }>): Outcome {
    const parts = [syntax.of, ...syntax.among]
    const trees: Tree[] = []
    for (const part of parts) {
      const tree = this.check(part)
      if (isFailure(tree)) return tree
      trees.push(tree)
    }
    const unlike = this.choiceProblem(trees[0]!, syntax.among, trees.slice(1))
    if (unlike) return unlike
    const one = together(trees, parts)
    if (isFailure(one)) return one
    const [of, ...among] = trees.map((tree) => castTo(tree, one.type))
    const tree: Tree = { kind: 'in', of: of!, among, type: { is: 'truth' } }
    return syntax.not ? { kind: 'not', of: tree, type: { is: 'truth' } } : tree
  }

  /** A word that a choice doesn't have can never be in it: most likely it is misspelt. */
  choiceProblem(fact: Tree, written: readonly Syntax[], others: readonly Tree[]): Failure | undefined {
    if (fact.kind !== 'fact') return undefined
    const field = findField(this.book, fact.field)?.field
    const words = field?.kind === 'choice' ? field.choices?.map((choice) => choice.word) : undefined
    if (!words?.length) return undefined
    for (const [at, other] of others.entries()) {
      if (other.kind !== 'literal' || other.type.is !== 'text' || other.value === null) continue
      const { value } = other
      if (words.some((word) => word.toLowerCase() === value.trim().toLowerCase())) continue
      const near = nearNames(value, words)
      return fail(
        written[at]!,
        `${field!.name} has no choice “${value}”. ${near.length > 0 ? `Did you mean ${listed(near, 'or')}?` : `It has ${listed(words.slice(0, 8))}.`}`,
      )
    }
    return undefined
  }

  private like(syntax: Extract<Syntax, { kind: 'like' }>): Outcome {
    const [of, pattern] = [this.check(syntax.of), this.check(syntax.pattern)]
    if (isFailure(of)) return of
    if (isFailure(pattern)) return pattern
    for (const [tree, at] of [
      [of, syntax.of],
      [pattern, syntax.pattern],
    ] as const)
      if (tree.type.is !== 'text' && tree.type.is !== 'nothing')
        return fail(at, `LIKE compares texts; this is ${typeWords[tree.type.is]}.`)
    const tree: Tree = { kind: 'like', of, pattern, escape: syntax.escape, type: { is: 'truth' } }
    return syntax.not ? { kind: 'not', of: tree, type: { is: 'truth' } } : tree
  }

  private blank(syntax: Extract<Syntax, { kind: 'isNull' }>): Outcome {
    const of = syntax.of.kind === 'name' ? this.fact(syntax.of.parts, syntax.of, true) : this.check(syntax.of)
    if (isFailure(of)) return of
    const tree: Tree = { kind: 'isNull', of, type: { is: 'truth' } }
    return syntax.not ? { kind: 'not', of: tree, type: { is: 'truth' } } : tree
  }

  private cases(syntax: Extract<Syntax, { kind: 'case' }>): Outcome {
    const whens: [Tree, Tree][] = []
    for (const [when, then] of syntax.whens) {
      const [test, value] = [this.check(when), this.check(then)]
      if (isFailure(test)) return test
      if (isFailure(value)) return value
      if (test.type.is !== 'truth' && test.type.is !== 'nothing')
        return fail(when, `After WHEN stands something that is true or not; this is ${typeWords[test.type.is]}.`)
      whens.push([test, value])
    }
    const other = syntax.other && this.check(syntax.other)
    if (other && isFailure(other)) return other
    const values = [...whens.map(([, value]) => value), ...(other ? [other] : [])]
    const one = together(values, [...syntax.whens.map(([, then]) => then), ...(syntax.other ? [syntax.other] : [])])
    if (isFailure(one)) return one
    return {
      kind: 'case',
      whens: whens.map(([test, value]) => [test, castTo(value, one.type)] as const),
      ...(other && { other: castTo(other, one.type) }),
      type: one.type,
    }
  }
}
