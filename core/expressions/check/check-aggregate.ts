import { quotientScale } from '../../kinds'
import { fail, type Outcome, type Part } from './check-help'
import type { Link, Table } from '../../book'
import type { AggregateName, Span } from '../text/syntax'
import { type Type, typeWords } from '../types'

export const gatheredNowhere =
  'What is gathered can’t be gathered again. Give the rows’ table a gathered field, and gather that.'

/** What is gathered of the rows: the rows themselves, or what each gives; only those of which `where` is true. */
export interface Gathers {
  readonly of: Part | undefined
  readonly where: Part | undefined
  /** What is gathered, in a word for messages. */
  readonly called: string
  readonly rows: Table
  readonly at: Span
}

/** COUNT, SUM and the like over the rows of a table that leads here. */
export function checkAggregate(name: AggregateName, link: Link, { of, where, called, rows, at }: Gathers): Outcome {
  if (where && where.tree.type.is !== 'truth')
    return fail(where.at, 'After WHERE stands something that is true or not.')
  const base = { kind: 'aggregate', name, link: link.id, ...(where && { where: where.tree }) } as const
  if (!of) {
    if (name === 'COUNT') return { ...base, type: { is: 'exact', whole: 10, scale: 0 } }
    return fail(at, `${name} needs a field of the rows, such as ${name}("${rows.name}"."…").`)
  }
  const type = gathered(name, of.tree.type)
  if (type) return { ...base, of: of.tree, type }
  const wanted = name === 'SUM' || name === 'AVG' ? 'a number' : 'a number or a date'
  return fail(of.at, `${called} is ${typeWords[of.tree.type.is]}; ${name} needs ${wanted}.`)
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
