import type { Book, Field, Rule, RuleSays, Table } from '../../book'
import { displayOf, type Failure, readExpression, storeTree, type Tree } from '../../expressions'
import { isDerived, kindOf } from '../../kinds'
import type { Problem } from '../../words'
import { readRuleSays } from '../compiled-rule'
import { writeSentence } from './sentences'
import type { DraftOf, PartsDraft, RuleDraft } from './rule-draft'

/** What a draft comes to: at most one of `missing`, `wrong` and `hindrance` says why it is no rule yet. */
export interface DraftRead {
  /** What it says, where it is a rule. */
  readonly says?: RuleSays
  /** What it asks of a record, where that can be computed. */
  readonly tree?: Tree
  /** The expression that a sentence stands for. */
  readonly source?: string
  /** What staff could read when it isn't so. */
  readonly words?: string
  /** What is still to be said. */
  readonly missing?: Problem
  /** What is wrong with the expression that was typed, and where. */
  readonly wrong?: Failure
  /** Why it can't be a rule of this table, though all has been said. */
  readonly hindrance?: Problem
}

type Asked = Pick<Rule, 'onlyNew' | 'warns'>

/** Reads a draft once: what it says as a rule of the table, or why it can't yet. */
export function readDraft(book: Book, table: Table, draft: RuleDraft, asked: Asked = {}): DraftRead {
  const made = sayDraft(book, table, draft)
  if (!made.says) return made
  const { says, ...rest } = made
  const read = readRuleSays(book, table, { says, ...asked }, made.tree)
  if ('compiled' in read) return made
  // What was typed by itself is marked where it is typed.
  return draft.kind === 'written'
    ? { ...rest, wrong: { problem: read.problem, at: { start: 0, end: draft.source.length } } }
    : { ...rest, hindrance: read.problem }
}

function sayDraft(book: Book, table: Table, draft: RuleDraft): DraftRead {
  switch (draft.kind) {
    case 'written': {
      if (!draft.source.trim()) return {}
      const read = readExpression(book, table, draft.source)
      return 'problem' in read ? { wrong: read } : holding(read.tree)
    }
    case 'together':
    case 'apart':
    case 'closed':
    case 'follows':
      return sayParts(book, table, draft)
    default: {
      const written = writeSentence(book, table, draft)
      if ('missing' in written) return written
      const read = readExpression(book, table, written.source)
      return { ...written, ...('problem' in read ? { hindrance: read.problem } : holding(read.tree)) }
    }
  }
}

const holding = (tree: Tree) => ({ says: { kind: 'holds', tree: storeTree(tree) }, tree }) as const

function sayParts(book: Book, table: Table, draft: PartsDraft): DraftRead {
  switch (draft.kind) {
    case 'together':
      return draft.fields.length < 2 ? { missing: { kind: 'two-fields-needed' } } : { says: draft }
    case 'apart':
      return sayApart(book, table, draft)
    case 'closed': {
      if (!draft.once.trim()) return { missing: { kind: 'no-closing-said' } }
      const read = readExpression(book, table, draft.once)
      return 'problem' in read ? { wrong: read } : { says: { ...draft, once: storeTree(read.tree) } }
    }
    case 'follows': {
      if (!draft.field) return { missing: { kind: 'no-states-chosen' } }
      const steps = Object.entries(draft.steps).map(([from, to]) => ({ from, to }))
      return { says: { kind: 'follows', field: draft.field, steps } }
    }
  }
}

function sayApart(book: Book, table: Table, { unless, ...rest }: DraftOf<'apart'>): DraftRead {
  // What is typed is looked at first: it is marked where it stands, whatever else is still to be chosen.
  const read = unless.trim() ? readExpression(book, table, unless) : undefined
  if (read && 'problem' in read) return { wrong: read }
  if (timesOf(book, table).length < 2) return { missing: { kind: 'no-two-times', table: table.name } }
  if (!rest.from || !rest.to) return { missing: { kind: 'times-not-chosen' } }
  return { says: { ...rest, ...(read && { unless: storeTree(read.tree) }) } }
}

/** The fields that something can last from and to. */
export const timesOf = (book: Book, table: Table): readonly Field[] =>
  table.fields.filter((field) => ['date', 'dateTime', 'time'].includes(displayOf(book, field).kind))

/** Whether records can be compared for having a field the same. */
export const isComparable = (field: Field) =>
  !['passage', 'file', 'tick'].includes(kindOf(field.kind).control) && (!isDerived(field) || field.kind === 'copied')

/** The fields that records that overlap can have the same. */
export const samenessOf = (table: Table): readonly Field[] =>
  table.fields.filter((field) => !isDerived(field) && ['link', 'line', 'code', 'choice', 'whole'].includes(field.kind))
