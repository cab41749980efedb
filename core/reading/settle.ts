import { belonging, owning } from './knowledge/frames'
import { usuallyThings } from './knowledge/verbs'
import { infinitive } from './lemma'
import { isPlural } from '../words'
import type { Token, WordClass } from './token'

const opensPhrase = new Set<WordClass>(['article', 'each', 'possessive', 'number', 'adjective'])

/** Settles from their neighbours what words are that may be a thing or a doing. */
export function settle(tokens: readonly Token[]): Token[] {
  const out: Token[] = []
  tokens.forEach((token, at) => {
    const before = out[at - 1]
    const after = tokens[at + 1]
    out.push({ ...token, is: settled(token, before, after, tokens[at + 2], out) })
  })
  return out.map(({ text, lower, start, end, is }, at) => ({ text, lower, start, end, is: fixed(out, at) ?? is }))
}

/** "best before date", "use by date": a preposition inside a name. */
function fixed(tokens: readonly Token[], at: number): WordClass | undefined {
  const pair = (first: number) =>
    /^(best before|use by|sell by|pick up|drop off|check in|check out)$/.test(
      `${tokens[first]?.lower} ${tokens[first + 1]?.lower}`,
    ) && /^(date|time|day|place|address|point)$/.test(tokens[first + 2]?.lower ?? '')
  return pair(at) || pair(at - 1) ? 'adjective' : undefined
}

function settled(
  token: Token,
  before: Token | undefined,
  after: Token | undefined,
  afterNext: Token | undefined,
  done: readonly Token[],
): WordClass {
  const { is, lower } = token
  const subjectBefore =
    before?.is === 'noun' || before?.is === 'pronoun' || before?.is === 'filler' || before?.is === 'not'
  if (lower === 'way' || lower === 'firm') return 'noun'
  if (is === 'adjective' && lower.endsWith('ed') && before?.is === 'be') return 'participle'
  // "is run by", "was put in": after "is" and before "by" stands what is done.
  if ((is === 'noun' || is === 'verb') && before?.is === 'be' && after?.lower === 'by') return 'participle'
  if (lower === 'done' && before?.is === 'be') return 'participle'
  // "is let to", "was put in"
  if (is === 'verb' && before?.is === 'be' && after?.is === 'preposition' && !isPlural(lower)) return 'participle'
  if (is === 'verb') {
    if (before && opensPhrase.has(before.is)) return 'noun'
    if (before?.is === 'modal' || before?.lower === 'to') return 'verb'
    if (before?.is === 'preposition') return 'noun'
    // ", and belongs to one category": another verb of the same subject.
    if (before && (before.is === 'mark' || before.is === 'conjunction') && after && isPlural(lower)) {
      const objectNext =
        ['article', 'number', 'each', 'possessive'].includes(after.is) ||
        after.lower === 'to' ||
        /^(consists?|holds|contains|includes|comprises)$/.test(lower) ||
        // "a number and stands in one room"
        (belonging.has(infinitive(lower)) &&
          after.is === 'preposition' &&
          afterNext !== undefined &&
          ['article', 'number', 'each'].includes(afterNext.is))
      if (objectNext && done.some((one) => one.is === 'verb' || one.is === 'be' || one.is === 'have')) return 'verb'
    }
    // "films have", "repairs are": a plural at the head of a clause, before what only a subject can have.
    const verbAfter = after && ['have', 'be', 'modal'].includes(after.is)
    if (verbAfter && !(before?.is === 'pronoun')) return 'noun'
    if (!before || before.is === 'mark' || before.is === 'conjunction') {
      if (after?.is === 'mark' || after?.is === 'conjunction' || after === undefined) return 'noun'
      if (isPlural(lower) && !after) return 'noun'
      if (isPlural(lower) && (after.is === 'verb' || after.is === 'preposition')) return 'noun'
      if (usuallyThings.has(lower) && after.is === 'noun') return 'noun'
    }
    // A second plain verb in a clause without a joint is a thing: "hire out rowing boats", "place orders".
    if (!subjectBefore && isPlural(lower)) return 'noun'
    if (before?.is === 'noun' && doing(done) && !/^(that|which|who)$/.test(before.lower)) return 'noun'
    if (before?.is === 'noun' && usuallyThings.has(lower) && (after === undefined || after.is === 'mark')) return 'noun'
    return 'verb'
  }
  if (is === 'participle') {
    // "an inspected hive" stands before a noun; "date returned" is left alone.
    return is
  }
  if (is === 'gerund') {
    if (
      before &&
      (before.is === 'article' || before.is === 'each' || before.is === 'preposition') &&
      after?.is !== 'noun'
    )
      return 'noun'
    if (after?.is === 'noun' && before?.is !== 'be') return 'adjective'
    return before?.is === 'be' ? 'gerund' : 'noun'
  }
  if (is === 'adjective') {
    const nounAfter = after && ['noun', 'adjective', 'verb', 'gerund', 'participle'].includes(after.is)
    if (
      before &&
      ['article', 'each', 'number', 'possessive'].includes(before.is) &&
      !nounAfter &&
      !(after?.is === 'conjunction' && afterNext?.is === 'adjective')
    )
      return 'noun'
    return 'adjective'
  }
  if (is === 'noun' && before?.is === 'modal') return 'verb'
  // "the firm runs a fleet"
  const objectAfter =
    after &&
    (['article', 'number', 'each', 'possessive'].includes(after.is) ||
      (owning.has(infinitive(lower)) && after.lower === 'between'))
  if (
    is === 'noun' &&
    before?.is === 'noun' &&
    !isPlural(before.lower) &&
    isPlural(lower) &&
    objectAfter &&
    !doing(done) &&
    done.some((one) => ['article', 'each', 'possessive'].includes(one.is))
  )
    return 'verb'
  if (is === 'noun' && /^(we|they|i|you)$/.test(before?.lower ?? '') && !isPlural(lower)) return 'verb'
  // "mechanics work on a job": a plain form between a plural subject and what only follows a verb.
  if (
    is === 'noun' &&
    before?.is === 'noun' &&
    isPlural(before.lower) &&
    !isPlural(lower) &&
    after &&
    (['preposition', 'article', 'each', 'number', 'possessive'].includes(after.is) ||
      (after.is === 'noun' && usuallyThings.has(lower))) &&
    !doing(done) &&
    after.lower !== 'of'
  )
    return 'verb'
  if (
    is === 'noun' &&
    before?.lower === 'to' &&
    after &&
    ['article', 'noun', 'each'].includes(after.is) &&
    !isPlural(lower) &&
    !usuallyThings.has(lower)
  )
    return 'verb'
  return is
}

/** Whether the clause so far has a verb already. */
function doing(done: readonly Token[]): boolean {
  for (let at = done.length - 1; at >= 0; at--) {
    const { is, lower } = done[at]!
    if (is === 'mark' || is === 'asking' || lower === 'and' || lower === 'but') return false
    if (is === 'verb' || is === 'be' || is === 'have') return true
  }
  return false
}
