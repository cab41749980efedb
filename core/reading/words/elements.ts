import { optional } from '../knowledge/words'
import { infinitive } from './lemma'
import { type Phrase, phraseAt } from './phrases'
import type { Token } from './token'

/** What somebody or something does, is or has, with what stands around the verb. */
export interface Doing {
  readonly verb: string
  readonly form: string
  readonly may: boolean
  readonly must: boolean
  readonly not: boolean
  readonly passive: boolean
  readonly start: number
  readonly end: number
}

interface WordElement {
  readonly kind: 'prep' | 'joint' | 'asking' | 'pronoun' | 'oneOf' | 'other'
  readonly word: string
  readonly start: number
  readonly end: number
}

/** A sentence cut into pieces that patterns are matched on. */
export type Element =
  | { readonly kind: 'thing'; readonly phrase: Phrase }
  | { readonly kind: 'doing'; readonly doing: Doing }
  | { readonly kind: 'quality'; readonly word: string; readonly start: number; readonly end: number }
  | WordElement
  | { readonly kind: 'aside'; readonly inside: readonly Element[]; readonly start: number; readonly end: number }

const particles = new Set(['out', 'up', 'down', 'off', 'back', 'in', 'over', 'away', 'after', 'on'])

export function elementsOf(tokens: readonly Token[]): Element[] {
  const out: Element[] = []
  let at = 0
  const word = (kind: WordElement['kind'], token: Token, last = token): WordElement => ({
    kind,
    word: token.lower,
    start: token.start,
    end: last.end,
  })
  while (at < tokens.length) {
    const token = tokens[at]!
    if (token.lower === '(') {
      const close = tokens.findIndex((other, i) => i > at && other.lower === ')')
      const end = close < 0 ? tokens.length : close
      const inside = elementsOf(tokens.slice(at + 1, end))
      out.push({ kind: 'aside', inside, start: token.start, end: tokens[Math.min(end, tokens.length - 1)]!.end })
      at = end + 1
      continue
    }
    if (
      (token.lower === 'one' || token.lower === 'each') &&
      tokens[at + 1]?.lower === 'of' &&
      tokens[at + 2]?.is === 'pronoun'
    ) {
      out.push(word('oneOf', token, tokens[at + 2]))
      at += 3
      continue
    }
    const found = phraseAt(tokens, at)
    if (found && !(token.is === 'verb' && !out.some((element) => element.kind === 'thing'))) {
      out.push({ kind: 'thing', phrase: found.phrase })
      at = found.next
      continue
    }
    const doing = doingAt(tokens, at, out)
    if (doing) {
      out.push({ kind: 'doing', doing: doing.doing })
      at = doing.next
      continue
    }
    if (token.is === 'mark' || token.is === 'conjunction') out.push(word('joint', token))
    else if (token.is === 'preposition') out.push(word('prep', token))
    else if (token.is === 'asking') out.push(word('asking', token))
    else if (token.is === 'pronoun') out.push(word('pronoun', token))
    else if (token.is === 'adjective' || token.is === 'participle' || token.is === 'gerund' || token.is === 'verb')
      out.push({ kind: 'quality', word: token.lower, start: token.start, end: token.end })
    else if (token.is === 'number' || token.is === 'each') out.push(word('pronoun', token))
    else if (token.is !== 'filler') out.push(word('other', token))
    at++
  }
  return out
}

/** A verb with its helpers: "may be booked", "must not have", "is looked after". */
function doingAt(
  tokens: readonly Token[],
  from: number,
  before: readonly Element[],
): { doing: Doing; next: number } | undefined {
  let at = from
  let may = false
  let must = false
  let not = false
  let be = false
  let have = false
  let did: string | undefined
  for (; at < tokens.length; at++) {
    const { is, lower } = tokens[at]!
    if (is === 'modal') {
      may ||= optional.has(lower)
      must ||= lower === 'must'
      not ||= lower === 'cannot' || lower.endsWith("n't")
    } else if (is === 'not' && lower !== 'no') not = true
    else if (is === 'be') be = true
    else if (is === 'have') have = true
    else if (/^(do|does|did|don't|doesn't)$/.test(lower)) {
      did = lower
      not ||= lower.includes("n't")
    } else if (is !== 'filler' || at === from) break
  }
  while (at > from && tokens[at - 1]!.is === 'filler' && !isMain(tokens[at])) at--
  const helpers = at > from && tokens.slice(from, at).some((token) => token.is !== 'not' && token.is !== 'filler')
  if (at > from && !helpers) return undefined
  const main = tokens[at]
  const start = tokens[from]!.start
  const made = (verb: string, form: string, next: number, passive: boolean) => ({
    doing: { verb, form, may, must, not, passive, start, end: tokens[next - 1]!.end },
    next,
  })
  if (
    main &&
    (main.is === 'participle' || main.is === 'gerund' || (main.is === 'verb' && (helpers || canBegin(before))))
  ) {
    if (main.is === 'gerund' && !be) return undefined
    const needsHelper = main.is === 'participle' && !helpers
    // A participle alone after a noun says more about the noun: "the price charged"; after a pronoun it is a deed.
    if (needsHelper && before.at(-1)?.kind !== 'pronoun') return undefined
    const next = at + 1
    const particle =
      tokens[next] && particles.has(tokens[next].lower) && !objectFollows(tokens, next + 1) ? tokens[next] : undefined
    const form = particle ? `${main.lower} ${particle.lower}` : main.lower
    return made(infinitive(main.lower), form, particle ? next + 1 : next, be && main.is === 'participle')
  }
  if (did) return made('do', did, at, false)
  if (have) return made('have', 'has', at, false)
  if (be) return made('be', 'is', at, false)
  return undefined
}

const isMain = (token: Token | undefined) => token !== undefined && ['verb', 'participle', 'gerund'].includes(token.is)

/** "goes out" has nothing after it; "goes out of the house" and "works in one room" do. */
const objectFollows = (tokens: readonly Token[], at: number) => {
  const next = tokens[at]
  return next !== undefined && ['article', 'each', 'number', 'noun', 'possessive', 'adjective'].includes(next.is)
}

/** A bare verb acts where a subject, a pronoun, "to" or nothing at all stands before it. */
const canBegin = (before: readonly Element[]) => {
  const last = before.at(-1)
  return (
    !last ||
    last.kind === 'thing' ||
    last.kind === 'pronoun' ||
    last.kind === 'oneOf' ||
    last.kind === 'joint' ||
    last.kind === 'asking' ||
    (last.kind === 'prep' && last.word === 'to') ||
    last.kind === 'doing' ||
    last.kind === 'other' ||
    last.kind === 'aside'
  )
}
