import type { Book } from '../book'
import { type OwnRule, ownRules } from './own-rules'
import type { Reading } from './readings'
import { type Watch, watchesOf } from './watches'

type AskedReading = Extract<Reading, { kind: 'holds' | 'apart' | 'together' }>

/** A rule that is asked of the records as they stand together, after something has changed. */
export interface AskedRule {
  readonly own: OwnRule
  readonly reading: AskedReading
  /** Whose change may break it, the rule's own records first. */
  readonly watches: readonly Watch[]
}

const known = new WeakMap<Book, readonly AskedRule[]>()

/**
 * The rules that a row's own CHECK or a UNIQUE key can't keep: those that look at other records, those asked
 * of new records alone, and those that only warn.
 */
export function askedRules(book: Book): readonly AskedRule[] {
  const found = known.get(book) ?? ownRules(book).flatMap((own) => asked(book, own))
  known.set(book, found)
  return found
}

/** Whether the database keeps a rule in the row itself, by a CHECK. */
export const isChecked = ({ rule, reading }: OwnRule) =>
  reading?.kind === 'holds' && reading.alone && !rule.onlyNew && !rule.warns

/** Whether the database keeps a rule by a UNIQUE key. */
export const isKeyed = ({ rule, reading }: OwnRule) =>
  reading?.kind === 'together' && reading.blanks === 'differ' && !rule.onlyNew && !rule.warns

function asked(book: Book, own: OwnRule): AskedRule[] {
  const { reading, table } = own
  if (!reading || isChecked(own) || isKeyed(own) || !isAskedKind(reading)) return []
  return [{ own, reading, watches: watchesOf(book, table, reading) }]
}

const isAskedKind = (reading: Reading): reading is AskedReading => ['holds', 'apart', 'together'].includes(reading.kind)
