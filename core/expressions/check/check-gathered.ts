import { type Checking, fail, type Failure, isFailure } from './check-help'
import { findRows } from './names'
import { quotientScale } from '../numbers'
import type { NamePart, Syntax } from '../text/syntax'
import type { Tree } from '../tree'
import { type Type, typeWords } from '../types'

/** COUNT, SUM and the like over the rows of a table that leads here. */
export function checkGathered(checker: Checking, syntax: Extract<Syntax, { kind: 'aggregate' }>): Tree | Failure {
  if (checker.scope.rows)
    return fail(
      syntax,
      'What is gathered can’t be gathered again. Give the rows’ table a gathered field, and gather that.',
    )
  const first = firstName(syntax.of)
  if (!first) return fail(syntax.of, `Write which rows are meant, such as ${syntax.name}("Rows"."Field").`)
  const found = findRows(checker.book, checker.scope.table, first.name)
  if ('words' in found) return fail(first, found.words)
  const inner = checker.within(found.rows)
  const where = syntax.where && inner.check(syntax.where)
  if (where && isFailure(where)) return where
  if (where && where.type.is !== 'truth')
    return fail(syntax.where!, 'After WHERE stands something that is true or not.')
  const base = { kind: 'aggregate', name: syntax.name, link: found.link.id, ...(where && { where }) } as const
  const whole = syntax.of.kind === 'name' && (syntax.of.parts.length === 1 || syntax.of.parts.at(-1)!.name === '*')
  if (whole) {
    if (syntax.name !== 'COUNT')
      return fail(
        syntax.of,
        `${syntax.name} needs a field of the rows, such as ${syntax.name}("${found.rows.name}"."…").`,
      )
    return { ...base, type: { is: 'exact', whole: 10, scale: 0 } }
  }
  const of = inner.check(syntax.of)
  if (isFailure(of)) return of
  const type = gathered(syntax.name, of.type)
  if (!type)
    return fail(
      syntax.of,
      `${wordsOf(syntax.of)} is ${typeWords[of.type.is]}; ${syntax.name} needs ${syntax.name === 'SUM' || syntax.name === 'AVG' ? 'a number' : 'a number or a date'}.`,
    )
  return { ...base, of, type }
}

const wordsOf = (syntax: Syntax) => (syntax.kind === 'name' ? syntax.parts.at(-1)!.name : 'This')

function gathered(name: string, type: Type): Type | undefined {
  if (name === 'COUNT') return { is: 'exact', whole: 10, scale: 0 }
  if (type.is === 'measured') return type
  if (type.is === 'exact') {
    if (name === 'SUM') return { is: 'exact', whole: Math.min(type.whole + 10, 65 - type.scale), scale: type.scale }
    if (name === 'AVG') return { is: 'exact', whole: type.whole + 1, scale: Math.max(quotientScale, type.scale) }
    return type
  }
  return (name === 'MIN' || name === 'MAX') && ['date', 'time', 'moment'].includes(type.is) ? type : undefined
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
