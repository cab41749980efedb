import { singular } from '../../words'
import type { Context } from './context'
import { infinitive } from '../words/lemma'

/** "Who borrowed": a loan. "How many crossed": a crossing. */
function byDoing(word: string, context: Context): string | undefined {
  const verb = infinitive(word)
  if (verb === word) return context.happening(verb)
  return context.happening(verb) ?? context.thing(`${verb.replace(/e$/, '')}ing`)
}

/** The things a question speaks of, by their names or by what happens to them. */
export function mentioned(text: string, context: Context): string[] {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}'’-]+/u)
    .filter(Boolean)
  const found: string[] = []
  for (let at = 0; at < words.length; at++) {
    for (let length = Math.min(3, words.length - at); length > 0; length--) {
      const name = [...words.slice(at, at + length - 1), singular(words[at + length - 1]!)].join(' ')
      const thing = context.thing(name) ?? (length === 1 ? byDoing(words[at]!, context) : undefined)
      if (!thing || (length > 1 && thing !== name)) continue
      found.push(thing)
      at += length - 1
      break
    }
  }
  return [...new Set(found)]
}
