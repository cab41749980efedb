import { isPlural } from '../../words'
import { belonging, owning } from '../knowledge/frames'
import { usuallyThings } from '../knowledge/verbs'
import { infinitive } from './lemma'
import type { Token, WordClass } from './token'

/** A word among its neighbours; those before it are settled already. */
export interface Around {
  readonly token: Token
  readonly before: Token | undefined
  readonly after: Token | undefined
  readonly afterNext: Token | undefined
  readonly done: readonly Token[]
}

/** What a word becomes that may be a thing or a doing, told from its neighbours. */
export interface SettlingRule {
  readonly name: string
  /** A sentence and the word in it that this rule settles. */
  readonly example: readonly [sentence: string, word: string]
  readonly of: readonly WordClass[]
  readonly when: (around: Around) => boolean
  readonly becomes: WordClass
}

const isOne = (token: Token | undefined, ...classes: readonly WordClass[]) =>
  token !== undefined && classes.includes(token.is)
const says = (token: Token | undefined, words: RegExp) => words.test(token?.lower ?? '')

/** What stands before a thing of its own. */
const pointers = ['article', 'number', 'each', 'possessive'] as const
const atHead = ({ before }: Around) => !before || isOne(before, 'mark', 'conjunction')
const plural = ({ token }: Around) => isPlural(token.lower)

/** The first whose class and condition fit decides; a word that none fits stays what it was. */
export const settlingRules: readonly SettlingRule[] = [
  {
    name: 'words that are only ever a thing here',
    example: ['The office firm is open.', 'firm'],
    of: ['noun', 'verb', 'adjective', 'filler', 'participle', 'gerund'],
    when: ({ token }) => says(token, /^(way|firm)$/),
    becomes: 'noun',
  },
  {
    name: 'is …ed',
    example: ['The visit is agreed.', 'agreed'],
    of: ['adjective'],
    when: ({ token, before }) => token.lower.endsWith('ed') && isOne(before, 'be'),
    becomes: 'participle',
  },
  {
    name: 'is … by: what is done stands between',
    example: ['The tool was design by a man.', 'design'],
    of: ['noun', 'verb'],
    when: ({ before, after }) => isOne(before, 'be') && after?.lower === 'by',
    becomes: 'participle',
  },
  {
    name: 'is done',
    example: ['The work is done.', 'done'],
    of: ['noun', 'verb', 'adjective'],
    when: ({ token, before }) => token.lower === 'done' && isOne(before, 'be'),
    becomes: 'participle',
  },
  {
    name: 'is … to, was … in',
    example: ['The flat is let to a tenant.', 'let'],
    of: ['verb'],
    when: (around) => isOne(around.before, 'be') && isOne(around.after, 'preposition') && !plural(around),
    becomes: 'participle',
  },
  {
    name: 'a thing after what opens a phrase',
    example: ['A booking is for one boat type.', 'boat'],
    of: ['verb'],
    when: ({ before }) => isOne(before, 'article', 'each', 'possessive', 'number', 'adjective'),
    becomes: 'noun',
  },
  {
    name: 'a doing after may, must and to',
    example: ['A client asks to repair a tool.', 'repair'],
    of: ['verb'],
    when: ({ before }) => isOne(before, 'modal') || before?.lower === 'to',
    becomes: 'verb',
  },
  {
    name: 'a thing after a preposition',
    example: ['A visit is by ship.', 'ship'],
    of: ['verb'],
    when: ({ before }) => isOne(before, 'preposition'),
    becomes: 'noun',
  },
  {
    name: 'another doing of the same subject',
    example: ['A box has a box number and stands on one shelf.', 'stands'],
    of: ['verb'],
    when: (around) =>
      isOne(around.before, 'mark', 'conjunction') &&
      plural(around) &&
      takesWhatFollows(around) &&
      around.done.some((one) => isOne(one, 'verb', 'be', 'have')),
    becomes: 'verb',
  },
  {
    name: 'a thing before what only a subject can have',
    example: ['The office swim is open.', 'swim'],
    of: ['verb'],
    when: ({ before, after }) => isOne(after, 'have', 'be', 'modal') && !isOne(before, 'pronoun'),
    becomes: 'noun',
  },
  {
    name: 'alone between marks',
    example: ['Teachers: name, start date', 'name'],
    of: ['verb'],
    when: (around) => atHead(around) && (!around.after || isOne(around.after, 'mark', 'conjunction')),
    becomes: 'noun',
  },
  {
    name: 'usually a thing, before a thing',
    example: ['Ship numbers are unique.', 'ship'],
    of: ['verb'],
    when: (around) => atHead(around) && usuallyThings.has(around.token.lower) && isOne(around.after, 'noun'),
    becomes: 'noun',
  },
  {
    name: 'a plural without a subject before it',
    example: ['Repairs repair parts.', 'repairs'],
    of: ['verb'],
    when: (around) => !isOne(around.before, 'noun', 'pronoun', 'filler', 'not') && plural(around),
    becomes: 'noun',
  },
  {
    name: 'a second plain doing in a clause',
    example: ['We keep the client swim.', 'swim'],
    of: ['verb'],
    when: ({ before, done }) => isOne(before, 'noun') && doing(done) && !says(before, /^(that|which|who)$/),
    becomes: 'noun',
  },
  {
    name: 'an …ing that says which thing',
    example: ['We keep recording lessons.', 'recording'],
    of: ['gerund'],
    when: ({ before, after }) => isOne(after, 'noun') && !isOne(before, 'be'),
    becomes: 'adjective',
  },
  {
    name: 'an …ing on its own is a thing',
    example: ['The gym offers classes such as yoga or spinning.', 'spinning'],
    of: ['gerund'],
    when: ({ before }) => !isOne(before, 'be'),
    becomes: 'noun',
  },
  {
    name: 'an adjective with no thing behind it',
    example: ['Each leading has a date.', 'leading'],
    of: ['adjective'],
    when: ({ before, after, afterNext }) =>
      isOne(before, ...pointers) &&
      !isOne(after, 'noun', 'adjective', 'verb', 'gerund', 'participle') &&
      !(isOne(after, 'conjunction') && isOne(afterNext, 'adjective')),
    becomes: 'noun',
  },
  {
    name: 'one thing does … to another',
    example: ['The firm hires a fleet.', 'hires'],
    of: ['noun'],
    when: (around) =>
      isOne(around.before, 'noun') &&
      !isPlural(around.before!.lower) &&
      plural(around) &&
      (isOne(around.after, ...pointers) ||
        (owning.has(infinitive(around.token.lower)) && around.after?.lower === 'between')) &&
      !doing(around.done) &&
      around.done.some((one) => isOne(one, 'article', 'each', 'possessive')),
    becomes: 'verb',
  },
  {
    name: 'a plain form after several that do it',
    example: ['The workers tow on a job.', 'tow'],
    of: ['noun'],
    when: (around) =>
      isOne(around.before, 'noun') &&
      isPlural(around.before!.lower) &&
      !plural(around) &&
      (isOne(around.after, 'preposition', ...pointers) ||
        (isOne(around.after, 'noun') && usuallyThings.has(around.after!.lower))) &&
      !doing(around.done) &&
      around.after?.lower !== 'of',
    becomes: 'verb',
  },
  {
    name: 'to … something',
    example: ['A client asks to tow a tool.', 'tow'],
    of: ['noun'],
    when: (around) =>
      around.before?.lower === 'to' &&
      isOne(around.after, 'article', 'noun', 'each') &&
      !plural(around) &&
      !usuallyThings.has(around.token.lower),
    becomes: 'verb',
  },
]

/** "a number and stands in one room": what follows is what a doing is done to. */
function takesWhatFollows({ token, after, afterNext }: Around): boolean {
  if (!after) return false
  return (
    isOne(after, ...pointers) ||
    after.lower === 'to' ||
    /^(consists?|holds|contains|includes|comprises)$/.test(token.lower) ||
    (belonging.has(infinitive(token.lower)) &&
      isOne(after, 'preposition') &&
      isOne(afterNext, 'article', 'number', 'each'))
  )
}

/** Whether the clause so far has a verb already. */
function doing(done: readonly Token[]): boolean {
  for (const { is, lower } of done.toReversed()) {
    if (is === 'mark' || is === 'asking' || lower === 'and' || lower === 'but') return false
    if (is === 'verb' || is === 'be' || is === 'have') return true
  }
  return false
}
