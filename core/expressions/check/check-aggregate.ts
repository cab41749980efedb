import { quotientScale } from '../../kinds'
import { fail, type Outcome, type Part } from './check-help'
import type { Link, Table } from '../../book'
import type { AggregateName, Span } from '../text/syntax'
import type { Type } from '../types'

/** What is gathered of the rows: the rows themselves, or what each gives; only those of which `where` is true. */
export interface Gathers {
  readonly of: Part | undefined
  readonly where: Part | undefined
  /** The field that is gathered, where it is one. */
  readonly called: string | undefined
  readonly rows: Table
  readonly at: Span
}

/** COUNT, SUM and the like over the rows of a table that leads here. */
export function checkAggregate(name: AggregateName, link: Link, { of, where, called, rows, at }: Gathers): Outcome {
  if (where && where.tree.type.is !== 'truth') return fail(where.at, { kind: 'where-needs-truth' })
  const base = { kind: 'aggregate', name, link: link.id, ...(where && { where: where.tree }) } as const
  if (!of) {
    if (name === 'COUNT') return { ...base, type: { is: 'exact', whole: 10, scale: 0 } }
    return fail(at, { kind: 'gathers-no-field', name, rows: rows.name })
  }
  const type = gathered(name, of.tree.type)
  if (type) return { ...base, of: of.tree, type }
  const dates = name === 'MIN' || name === 'MAX'
  return fail(of.at, { kind: 'gathers-no-such', name, called, found: of.tree.type.is, dates })
}

function gathered(name: AggregateName, type: Type): Type | undefined {
  if (name === 'COUNT') return { is: 'exact', whole: 10, scale: 0 }
  if (type.is === 'measured') return type
  if (type.is === 'exact') {
    if (name === 'SUM') return { is: 'exact', whole: Math.min(type.whole + 10, 65 - type.scale), scale: type.scale }
    if (name === 'AVG') return { is: 'exact', whole: type.whole + 1, scale: Math.max(quotientScale, type.scale) }
    return type
  }
  return (name === 'MIN' || name === 'MAX') && ['date', 'time', 'moment'].includes(type.is) ? type : undefined
}
