import type { Book } from '../book'
import { type OwnRule, ownRules } from './own-rules'
import type { CompiledRule } from './compiled-rule'
import { type Watch, watchesOf } from './watches'
import { oncePer } from '../words'

type Watchable = Extract<CompiledRule, { kind: 'holds' | 'apart' | 'together' }>

/** A rule that is asked of the records as they stand together, after something has changed. */
export interface WatchedRule {
  readonly own: OwnRule
  readonly compiled: Watchable
  /** Whose change may break it, the rule's own records first. */
  readonly watches: readonly Watch[]
}

/**
 * The rules that a row's own CHECK or a UNIQUE key can't keep: those that look at other records, those asked
 * of new records alone, and those that only warn.
 */
export const watchedRules = oncePer((book: Book): readonly WatchedRule[] =>
  ownRules(book).flatMap((own) => asked(book, own)),
)

/** Whether the database keeps a rule in the row itself, by a CHECK. */
export const isChecked = ({ rule, compiled }: OwnRule) =>
  compiled?.kind === 'holds' && compiled.alone && !rule.onlyNew && !rule.warns

/** Whether the database keeps a rule by a UNIQUE key. */
export const isKeyed = ({ rule, compiled }: OwnRule) =>
  compiled?.kind === 'together' && compiled.blanks === 'differ' && !rule.onlyNew && !rule.warns

function asked(book: Book, own: OwnRule): WatchedRule[] {
  const { compiled, table } = own
  if (!compiled || isChecked(own) || isKeyed(own) || !isAskedKind(compiled)) return []
  return [{ own, compiled, watches: watchesOf(book, table, compiled) }]
}

const isAskedKind = (compiled: CompiledRule): compiled is Watchable =>
  ['holds', 'apart', 'together'].includes(compiled.kind)
