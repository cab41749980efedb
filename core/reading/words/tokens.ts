import nlp from 'compromise/two'
import {
  anyOne,
  articles,
  asking,
  being,
  conjunctions,
  fillers,
  having,
  manyWords,
  modals,
  negatives,
  numbers,
  possessives,
  prepositions,
  pronouns,
} from '../knowledge/words'
import { settle } from './settle'
import type { SettlingRule } from './settling-rules'
import type { Token, WordClass } from './token'

interface Term {
  readonly text: string
  readonly pre: string
  readonly post: string
  readonly tags?: ReadonlySet<string>
}

const marks = new Set([',', ';', ':', '(', ')', '–', '—', '.', '!', '?', '/'])

/** Splits text into words and marks and says what each word is. `offset` is where the text begins in its need. */
export function tokensOf(text: string, offset: number, rules?: readonly SettlingRule[]): Token[] {
  const terms = (nlp(text) as unknown as { docs: Term[][] }).docs.flat()
  const rough: (Token & { readonly tags: ReadonlySet<string> })[] = []
  let at = offset
  const none: ReadonlySet<string> = new Set()
  const put = (words: string, is: WordClass, tags: ReadonlySet<string>) => {
    if (words)
      rough.push({
        text: words,
        lower: plainLower(words),
        start: at,
        end: at + words.length,
        is: readable(words) ? is : 'mark',
        tags,
      })
    at += words.length
  }
  const punctuation = (between: string) => {
    for (const [place, sign] of [...between].entries()) {
      const dash = sign === '-' && between[place - 1] === ' ' && between[place + 1] === ' '
      if (marks.has(sign) || dash) put(sign, 'mark', none)
      else at += sign.length
    }
  }
  for (let i = 0; i < terms.length; i++) {
    const { text: words, pre, post, tags } = terms[i]!
    punctuation(pre)
    // "kick-off" and "e-mail" are one word each.
    const next = terms[i + 1]
    if (post === '-' && next?.pre === '' && next.text) {
      put(`${words}-${next.text}`, 'noun', next.tags?.has('Verb') ? none : (next.tags ?? none))
      punctuation(next.post)
      i++
      continue
    }
    // The possessor's sign of a plural stands after the word: "the actors' names".
    const possessor = /^['’](?=\s)/.test(post) && /s$/.test(words)
    put(possessor ? words + post[0] : words, 'noun', tags ?? none)
    punctuation(possessor ? post.slice(1) : post)
  }
  const known = rough.map((token) =>
    token.is === 'mark' ? token : { ...token, is: closedClass(token.lower) ?? openClass(token.tags) },
  )
  return settle(known, rules)
}

/** Tags, paths and signs are no words of the office. */
const readable = (words: string) => /[\p{L}\p{N}]/u.test(words) && !/[<>{}[\]\\|=@_]/.test(words)

const plainLower = (words: string) => words.toLowerCase().replace(/’/g, "'")

function closedClass(lower: string): WordClass | undefined {
  if (anyOne.has(lower)) return 'each'
  if (articles.has(lower) && lower !== 'that') return 'article'
  if (possessives.has(lower)) return 'possessive'
  if (modals.has(lower)) return 'modal'
  if (negatives.has(lower)) return 'not'
  if (being.has(lower)) return 'be'
  if (having.has(lower)) return 'have'
  if (prepositions.has(lower)) return 'preposition'
  if (conjunctions.has(lower)) return 'conjunction'
  if (pronouns.has(lower)) return 'pronoun'
  if (asking.has(lower)) return 'asking'
  if (manyWords.has(lower) || Object.hasOwn(numbers, lower) || /^\d+([.,]\d+)?$/.test(lower)) return 'number'
  if (fillers.has(lower)) return 'filler'
  if (/^(all|both|most)$/.test(lower)) return 'each'
  return undefined
}

function openClass(tags: ReadonlySet<string>): WordClass {
  if (tags.has('Gerund')) return 'gerund'
  if (tags.has('PastTense') || tags.has('Participle')) return 'participle'
  if (tags.has('Verb')) return 'verb'
  if (tags.has('Adjective')) return 'adjective'
  if (tags.has('Adverb')) return 'filler'
  return 'noun'
}
