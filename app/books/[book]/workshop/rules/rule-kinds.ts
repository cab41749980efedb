import type { PartsDraft, RuleDraft, Sentence } from '@/core/rules'

const first = { subject: '', operator: '=' as const, against: { value: '' } }

interface RuleKindOffer<Draft> {
  readonly title: string
  /** What a new rule of the kind begins as. */
  readonly begin: Draft
}

type Offers<Draft extends RuleDraft> = {
  readonly [Kind in Draft['kind']]: RuleKindOffer<Extract<Draft, { kind: Kind }>>
}

/** Rules said as a sentence. */
const sentences: Offers<Sentence> = {
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
const parts: Offers<PartsDraft> = {
  together: {
    title: 'Some fields together must be different',
    begin: { kind: 'together', fields: [], blanks: 'differ' },
  },
  apart: { title: 'No two at the same time', begin: { kind: 'apart', same: [], from: '', to: '', unless: '' } },
  closed: { title: 'No change once a condition is met', begin: { kind: 'closed', once: '', except: [], rows: true } },
  follows: { title: 'Which state may follow which', begin: { kind: 'follows', field: '', steps: {} } },
}

export const ruleKinds: Offers<RuleDraft> = {
  ...sentences,
  ...parts,
  written: { title: 'Anything else, written as an expression', begin: { kind: 'written', source: '' } },
}

export const isSentence = (draft: RuleDraft): draft is Sentence => Object.hasOwn(sentences, draft.kind)
export const isParts = (draft: RuleDraft): draft is PartsDraft => Object.hasOwn(parts, draft.kind)
