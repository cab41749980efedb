import { attributeHeads, measureNouns, units } from './knowledge/attributes'
import { type Quantity, quantityPhrases } from './knowledge/quantities'
import { emptyAdjectives, manyWords, numbers } from './knowledge/words'
import { isPlural, singular } from '../words'
import type { Token } from './token'

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
  let at = from
  let det: Phrase['det']
  let quantity = quantityAt(tokens, at)
  if (!quantity) {
    det = determiner(tokens[at])
    // "for another job" says that there may be more than one.
    if (tokens[at]?.lower === 'another') quantity = { quantity: { least: undefined, most: 'several' }, taken: 0 }
    if (det) at++
    if (det && tokens[at]?.lower === 'of') return undefined
    quantity ??= quantityAt(tokens, at)
  }
  if (quantity) at += quantity.taken
  if (!det && quantity) {
    // "one or more of the tutors", "at least one of its rooms"
    if (tokens[at]?.lower === 'of' && determiner(tokens[at + 1])) at += 2
    else if (determiner(tokens[at])) at++
  }
  while (tokens[at]?.is === 'filler' || tokens[at]?.lower === 'other') at++
  let owner: string | undefined
  let words: Token[] = []
  for (; at < tokens.length; at++) {
    const token = tokens[at]!
    const after = tokens[at + 1]
    const inside =
      token.is === 'noun' ||
      (token.is === 'adjective' && after && ['noun', 'adjective', 'gerund', 'verb', 'number'].includes(after.is)) ||
      (token.is === 'participle' && words.length === 0 && (after?.is === 'noun' || after?.is === 'adjective')) ||
      (token.is === 'verb' && words.length === 0 && det !== undefined && after?.is !== 'noun')
    if (!inside) break
    if (token.is === 'noun' && possessor.test(token.lower) && after?.is !== 'mark') {
      owner = nameOf([
        ...words,
        { ...token, lower: token.lower.replace(possessor, token.lower.endsWith("s'") ? 's' : '') },
      ])
      words = []
      continue
    }
    words.push(token)
  }
  if (words.length === 0 || words.at(-1)!.is === 'adjective') return undefined
  let next = at
  let name = nameOf(words)
  if (!name) return undefined
  const plural = isPlural(words.at(-1)!.lower)
  let of: Phrase | undefined
  let unit: string | undefined
  const bare = name
  const head = name.split(' ').at(-1)!
  // "a date and time" is one fact.
  if (/^(date|day)$/.test(name) && tokens[next]?.lower === 'and' && tokens[next + 1]?.lower === 'time') {
    name = 'date and time'
    next += 2
  }
  if (tokens[next]?.lower === 'of') {
    const inner = phraseAt(tokens, next + 1)
    if (inner) {
      const bare = inner.phrase.det === undefined && inner.phrase.quantity === undefined && !inner.phrase.owner
      // "a usual number of hours" counts hours; "licence numbers of drivers" are the drivers'.
      const measures = measureNouns.has(head) && words.slice(0, -1).every((word) => word.is === 'adjective')
      if (bare && (measures || !inner.phrase.plural)) {
        name = `${name} of ${inner.phrase.plural ? wordsOf(tokens, next + 1, inner.next) : inner.phrase.name}`
        of = inner.phrase.of
      } else of = inner.phrase
      next = inner.next
    }
  }
  if (tokens[next]?.lower === 'per' || (tokens[next]?.lower === 'for' && tokens[next + 1]?.lower === 'each')) {
    const inner = phraseAt(tokens, tokens[next]!.lower === 'per' ? next + 1 : next + 2)
    if (inner && tokens[next]!.lower === 'per' && attributeHeads.has(head)) {
      name = `${name} per ${inner.phrase.name}`
      next = inner.next
    }
  }
  if (tokens[next]?.lower === 'in' || tokens[next]?.lower === '(') {
    const last = unitEnd(tokens, next + 1)
    if (last) {
      unit = wordsOf(tokens, next + 1, last)
      next = tokens[next]!.lower === '(' && tokens[last]?.lower === ')' ? last + 1 : last
    }
  }
  return {
    phrase: {
      name,
      start: tokens[from]!.start,
      end: tokens[next - 1]!.end,
      det,
      quantity: quantity?.quantity,
      plural,
      core: words.length > 1 && words[0]!.is === 'participle' ? nameOf(words.slice(1)) : name,
      said:
        name.startsWith(bare) && plural
          ? words.at(-1)!.lower.replace(/^/, name.slice(0, bare.length - head.length)) + name.slice(bare.length)
          : name,
      owner,
      of,
      unit,
    },
    next,
  }
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
