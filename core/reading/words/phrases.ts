import { attributeHeads, measureNouns, units } from '../knowledge/attributes'
import { type Quantity, quantityPhrases } from '../knowledge/quantities'
import { emptyAdjectives, manyWords, numbers } from '../knowledge/words'
import { isPlural, singular } from '../../words'
import type { Token, WordClass } from './token'

/** A noun phrase: "each client's two phone numbers". Names are lower case, singular at their end. */
export interface Phrase {
  readonly name: string
  readonly start: number
  readonly end: number
  readonly det: 'each' | 'a' | 'the' | 'no' | 'own' | undefined
  readonly quantity: Quantity | undefined
  readonly plural: boolean
  /** The name without a participle before it: a swept appliance is an appliance. */
  readonly core: string
  /** The name as it was written, not brought to the singular. */
  readonly said: string
  /** Whose it is: "the client's name". */
  readonly owner: string | undefined
  /** "the name of each client" */
  readonly of: Phrase | undefined
  /** The unit it is told in: "in minutes". */
  readonly unit: string | undefined
}

const patterns = quantityPhrases
  .map(([phrase, least, most]) => ({ words: phrase.split(' '), least, most }))
  .sort((a, b) => b.words.length - a.words.length)

const numberOf = (token: Token): number | undefined =>
  token.is !== 'number' || manyWords.has(token.lower)
    ? undefined
    : Object.hasOwn(numbers, token.lower)
      ? numbers[token.lower]
      : Number(token.lower.replace(',', '.'))

/** A quantity phrase that begins at a token, and how many tokens it takes. */
function quantityAt(tokens: readonly Token[], at: number): { quantity: Quantity; taken: number } | undefined {
  for (const { words, least, most } of patterns) {
    let last: number | undefined
    const fits = words.every((word, i) => {
      const token = tokens[at + i]
      if (!token) return false
      if (word !== 'N') return token.lower === word
      last = numberOf(token)
      return last !== undefined
    })
    if (!fits) continue
    if (most !== 'N')
      return { quantity: { least, most, ...(last !== undefined && { figure: last }) }, taken: words.length }
    // A year or a long figure counts nothing.
    if (last === undefined || !Number.isInteger(last) || last > 999) return undefined
    const fewer = words[0] === 'fewer' ? last - 1 : last
    return { quantity: { least, most: fewer }, taken: words.length }
  }
  return undefined
}

const determiner = (token: Token | undefined): Phrase['det'] => {
  if (!token) return undefined
  if (token.is === 'each') return 'each'
  if (token.is === 'possessive') return 'own'
  if (token.lower === 'no') return 'no'
  if (token.is === 'article') return /^an?$/.test(token.lower) ? 'a' : 'the'
  return undefined
}

const possessor = /(?:['’]s|s['’])$/

/** The noun phrase that begins at a token, and where it ends; undefined where there is none. */
export function phraseAt(tokens: readonly Token[], from: number): { phrase: Phrase; next: number } | undefined {
  const opening = openingAt(tokens, from)
  if (!opening) return undefined
  const { det, quantity } = opening
  const { words, owner, next } = namedAt(tokens, opening.next, det)
  const last = words.at(-1)
  if (!last || last.is === 'adjective') return undefined
  const bare = nameOf(words)
  if (!bare) return undefined
  const head = bare.split(' ').at(-1)!
  const plural = isPlural(last.lower)
  let grown: Grown = { name: bare, next, of: undefined, unit: undefined }
  for (const tail of tails) grown = tail(tokens, grown, { words, head })
  const { name } = grown
  const core = words.length > 1 && words[0]!.is === 'participle' ? nameOf(words.slice(1)) : name
  const said =
    name.startsWith(bare) && plural
      ? name.slice(0, bare.length - head.length) + last.lower + name.slice(bare.length)
      : name
  const { start } = tokens[from]!
  const { end } = tokens[grown.next - 1]!
  return {
    phrase: { name, start, end, det, quantity, plural, core, said, owner, of: grown.of, unit: grown.unit },
    next: grown.next,
  }
}

/** What stands before the name: "each", "one or more of the", "at least two". */
function openingAt(tokens: readonly Token[], from: number) {
  const opening = countedAt(tokens, from) ?? pointedAt(tokens, from)
  if (!opening) return undefined
  let { next } = opening
  while (tokens[next]?.is === 'filler' || tokens[next]?.lower === 'other') next++
  return { ...opening, next }
}

interface Opening {
  readonly det: Phrase['det']
  readonly quantity: Quantity | undefined
  readonly next: number
}

/** "one or more of the tutors", "at least one of its rooms" */
function countedAt(tokens: readonly Token[], from: number): Opening | undefined {
  const counted = quantityAt(tokens, from)
  if (!counted) return undefined
  const at = from + counted.taken
  const inside = tokens[at]?.lower === 'of' && determiner(tokens[at + 1]) ? 2 : determiner(tokens[at]) ? 1 : 0
  return { det: undefined, quantity: counted.quantity, next: at + inside }
}

/** "each", "its two", "another" */
function pointedAt(tokens: readonly Token[], from: number): Opening | undefined {
  const det = determiner(tokens[from])
  const at = det ? from + 1 : from
  if (det && tokens[at]?.lower === 'of') return undefined
  // "for another job" says that there may be more than one.
  if (tokens[from]?.lower === 'another') return { det, quantity: { least: undefined, most: 'several' }, next: at }
  const counted = det ? quantityAt(tokens, at) : undefined
  return { det, quantity: counted?.quantity, next: at + (counted?.taken ?? 0) }
}

const beforeName: readonly WordClass[] = ['noun', 'adjective', 'gerund', 'verb', 'number']

/** Whether a word belongs to a name: a noun, or what says which noun. */
function inName(token: Token, after: Token | undefined, first: boolean, det: Phrase['det']): boolean {
  if (token.is === 'noun') return true
  if (token.is === 'adjective') return after !== undefined && beforeName.includes(after.is)
  if (!first) return false
  if (token.is === 'participle') return after?.is === 'noun' || after?.is === 'adjective'
  return token.is === 'verb' && det !== undefined && after?.is !== 'noun'
}

/** The words of the name, and whose it is. */
function namedAt(tokens: readonly Token[], from: number, det: Phrase['det']) {
  let owner: string | undefined
  let words: Token[] = []
  let at = from
  for (; at < tokens.length; at++) {
    const token = tokens[at]!
    const after = tokens[at + 1]
    if (!inName(token, after, words.length === 0, det)) break
    if (token.is === 'noun' && possessor.test(token.lower) && after?.is !== 'mark') {
      const possessed = token.lower.replace(possessor, token.lower.endsWith("s'") ? 's' : '')
      owner = nameOf([...words, { ...token, lower: possessed }])
      words = []
    } else words.push(token)
  }
  return { words, owner, next: at }
}

/** A phrase as far as it has been read. */
interface Grown {
  readonly name: string
  readonly next: number
  readonly of: Phrase | undefined
  readonly unit: string | undefined
}
interface Name {
  readonly words: readonly Token[]
  readonly head: string
}

/** What may follow a name and belong to it, in this order. */
const tails: readonly ((tokens: readonly Token[], grown: Grown, name: Name) => Grown)[] = [
  // "a date and time" is one fact.
  (tokens, grown) =>
    /^(date|day)$/.test(grown.name) && tokens[grown.next]?.lower === 'and' && tokens[grown.next + 1]?.lower === 'time'
      ? { ...grown, name: 'date and time', next: grown.next + 2 }
      : grown,
  ofSomething,
  // "price per hour"
  (tokens, grown, { head }) => {
    const inner = tokens[grown.next]?.lower === 'per' ? phraseAt(tokens, grown.next + 1) : undefined
    return inner && attributeHeads.has(head)
      ? { ...grown, name: `${grown.name} per ${inner.phrase.name}`, next: inner.next }
      : grown
  },
  // "in minutes", "(in metres)"
  (tokens, grown) => {
    const opens = tokens[grown.next]?.lower
    const last = opens === 'in' || opens === '(' ? unitEnd(tokens, grown.next + 1) : undefined
    if (!last) return grown
    const next = opens === '(' && tokens[last]?.lower === ')' ? last + 1 : last
    return { ...grown, unit: wordsOf(tokens, grown.next + 1, last), next }
  },
]

/** "the name of each client", "a number of hours" */
function ofSomething(tokens: readonly Token[], grown: Grown, { words, head }: Name): Grown {
  const inner = tokens[grown.next]?.lower === 'of' ? phraseAt(tokens, grown.next + 1) : undefined
  if (!inner) return grown
  const bare = inner.phrase.det === undefined && inner.phrase.quantity === undefined && !inner.phrase.owner
  // "a usual number of hours" counts hours; "licence numbers of drivers" are the drivers'.
  const measures = measureNouns.has(head) && words.slice(0, -1).every((word) => word.is === 'adjective')
  if (!bare || !(measures || !inner.phrase.plural)) return { ...grown, of: inner.phrase, next: inner.next }
  const measured = inner.phrase.plural ? wordsOf(tokens, grown.next + 1, inner.next) : inner.phrase.name
  return { ...grown, name: `${grown.name} of ${measured}`, of: inner.phrase.of, next: inner.next }
}

function unitEnd(tokens: readonly Token[], from: number): number | undefined {
  let at = from
  while (tokens[at] && units.has(tokens[at]!.lower)) at++
  return at > from ? at : undefined
}

const wordsOf = (tokens: readonly Token[], from: number, to: number) =>
  tokens
    .slice(from, to)
    .map((token) => token.lower)
    .join(' ')

/** Content words in lower case, the last in the singular; what says nothing goes. */
function nameOf(words: readonly Pick<Token, 'lower'>[]): string {
  let first = 0
  while (first < words.length - 1 && emptyAdjectives.has(words[first]!.lower)) first++
  const kept = words.slice(first).map((word) => word.lower)
  const last = kept.pop()
  return last === undefined ? '' : [...kept, singular(last)].join(' ').replace(/^(e) mail/, 'e-mail')
}
