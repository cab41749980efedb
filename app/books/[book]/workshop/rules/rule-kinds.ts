import type { Book, RuleSays } from '@/core/book'
import { writtenStored } from '@/core/expressions'
import type { Sentence } from '@/core/rules'
import type { Json } from '@/core/words'
import type { Draft } from './says-parts'

const first = { subject: '', operator: '=' as const, against: { value: '' } }

/** Rules said as a sentence, and what each begins with. */
export const sentences: Readonly<Record<Sentence['kind'], { readonly title: string; readonly begin: Sentence }>> = {
  compare: { title: 'A field compared with another, or with a value', begin: { kind: 'compare', ...first } },
  range: { title: 'A field between two values', begin: { kind: 'range', subject: '', least: '', most: '' } },
  if: { title: 'If one condition is met, then another', begin: { kind: 'if', when: first, then: first } },
  oneOf: { title: 'A field that is one of some values', begin: { kind: 'oneOf', subject: '', words: '' } },
  filled: { title: 'At least one of some fields filled', begin: { kind: 'filled', subjects: [] } },
  looks: { title: 'A text that looks a certain way', begin: { kind: 'looks', subject: '', how: 'begins', text: '' } },
  days: {
    title: 'A number of days from one date to another',
    begin: { kind: 'days', later: '', earlier: '', least: '', most: '' },
  },
}

/** Rules that are put together from facts. */
export const drafts: Readonly<Record<Draft['kind'], { readonly title: string; readonly begin: Draft }>> = {
  together: {
    title: 'Some fields together must be different',
    begin: { kind: 'together', fields: [], blanks: 'differ' },
  },
  apart: { title: 'No two at the same time', begin: { kind: 'apart', same: [], from: '', to: '', unless: '' } },
  closed: { title: 'No change once a condition is met', begin: { kind: 'closed', once: '', except: [], rows: true } },
  follows: { title: 'Which state may follow which', begin: { kind: 'follows', field: '', steps: {} } },
}

export type RuleKind = Sentence['kind'] | Draft['kind'] | 'written'

/** A rule that is there already, as the dialog puts it together. */
export function draftOf(book: Book, says: RuleSays): Draft | undefined {
  const written = (tree: Json | undefined) => writtenStored(book, tree)
  if (says.kind === 'together') return says
  if (says.kind === 'apart') return { ...says, unless: written(says.unless) }
  if (says.kind === 'closed') return { ...says, once: written(says.once) }
  if (says.kind === 'follows')
    return {
      kind: 'follows',
      field: says.field,
      steps: Object.fromEntries(says.steps.map(({ from, to }) => [from, to])),
    }
  return undefined
}
