import type { Book, Table } from '@/core/book'
import {
  type Failure,
  readExpression,
  recheckStored,
  showExpression,
  type Tree,
  writtenStored,
} from '@/core/expressions'
import { type Condition, conditionsSource, reopenConditions, writeCondition } from '@/core/rules'
import type { Json, Problem } from '@/core/words'

/** A condition as it is put together: some that all hold, or one that is written. */
export type WhenDraft = { readonly all: readonly Condition[] } | { readonly written: string }

export const blankCondition: Condition = { subject: '', operator: '=', against: { value: '' } }

/** A condition that is kept, as it was put together. */
export function whenDraftOf(book: Book, table: Table, kept: Json | undefined): WhenDraft {
  if (kept === undefined || kept === true) return { all: [blankCondition] }
  const read = recheckStored(book, table, kept)
  if ('problem' in read) return { written: writtenStored(book, kept) }
  const all = reopenConditions(book, table, read.tree)
  return all ? { all } : { written: showExpression(book, read.tree) }
}

/** The same, written. */
export const whenSource = (book: Book, table: Table, draft: WhenDraft): string =>
  'written' in draft ? draft.written : (conditionsSource(book, table, draft.all) ?? '')

export interface WhenRead {
  readonly tree?: Tree
  readonly problem?: Problem
  /** Where what is written is wrong. */
  readonly wrong?: Failure
}

/** A condition read, or what it still lacks. */
export function readWhen(book: Book, table: Table, draft: WhenDraft): WhenRead {
  const lacking = 'written' in draft ? undefined : draft.all.map((one) => writeCondition(book, table, one))
  for (const made of lacking ?? []) if ('missing' in made) return { problem: made.missing }
  const source = whenSource(book, table, draft)
  if (!source.trim()) return { problem: { kind: 'no-condition-said' } }
  const read = readExpression(book, table, source)
  return 'problem' in read ? { problem: read.problem, ...('written' in draft && { wrong: read }) } : { tree: read.tree }
}
