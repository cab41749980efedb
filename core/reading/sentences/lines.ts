import { isChatter } from '../../needs'
import { singular } from '../../words'
import { elementsOf, type Element } from '../words/elements'
import { noThings } from '../knowledge/attributes'
import { phraseAt } from '../words/phrases'
import { questionsIn } from './questions'
import { isIntroduction, type Sentence, sentencesOf } from './sentences'
import type { Token } from '../words/token'
import { tokensOf } from '../words/tokens'

/**
 * Turns wordings that only join lists into plain commas. Every replacement is as long as what it stands
 * for, so that places in the text stay true.
 */
function smoothed(text: string): string {
  return text.replace(
    /\b(?:such as|as well as|including|namely|for example|for instance|e\.g\.|i\.e\.|in addition to)(?=[\s:,])|\bone of the following:?|\b(?:is|are|be) one of:?(?! (?:them|its|our|their|the|those)\b)|\band\/or\b/giu,
    (words) => {
      const be = /^(is|are|be) one of/i.exec(words)?.[1]
      if (be) return be.padEnd(words.length)
      if (/^one of/i.test(words)) return ''.padEnd(words.length)
      return (words.toLowerCase() === 'and/or' ? 'or' : ',').padEnd(words.length)
    },
  )
}

export type Line =
  | { readonly kind: 'sentence'; readonly sentence: Sentence; readonly elements: readonly Element[] }
  | {
      readonly kind: 'heading'
      readonly name: string
      readonly sentence: Sentence
      readonly elements: readonly Element[]
      readonly alone: boolean
      readonly of: string | undefined
    }
  | { readonly kind: 'question'; readonly sentence: Sentence; readonly elements: readonly Element[] }

/** The sentences of one need with their words already classed; chatter goes. */
export function linesOf(text: string): Line[] {
  if (isChatter(text) && text.length < 80) return []
  const lines: Line[] = []
  for (const sentence of sentencesOf(smoothed(text))) {
    if (isChatter(sentence.text) || isIntroduction(sentence.text)) continue
    const questions = questionsIn(sentence)
    if (questions)
      lines.push(
        ...questions.map((question) => ({
          kind: 'question' as const,
          sentence: question,
          elements: elementsOf(tokensOf(question.text, question.start)),
        })),
      )
    else lines.push(lineOf(sentence))
  }
  return lines
}

/** "Clients: name, address" is a heading with its facts; a short line without a verb may head what follows. */
function lineOf(sentence: Sentence): Line {
  const headed = /^([\p{L}][\p{L}' -]{1,40}?)\s*(?::|\s[–—-]\s)\s*(\S.*)$/su.exec(sentence.text)
  if (headed) {
    const head = tokensOf(headed[1]!, sentence.start)
    const name = phraseAt(head, 0)
    const from = sentence.text.length - headed[2]!.length
    const elements = elementsOf(tokensOf(headed[2]!, sentence.start + from))
    const finite = head.some((token) => ['verb', 'be', 'have', 'modal', 'pronoun'].includes(token.is))
    // "Rules: no job may …" only announces what follows.
    if (name && announcing.test(name.phrase.name))
      return { kind: 'sentence', sentence: { text: headed[2]!, start: sentence.start + from }, elements }
    if (name && !finite && head[0]!.is !== 'preposition' && !noThings.has(name.phrase.name))
      return {
        kind: 'heading',
        name: name.phrase.core,
        sentence,
        elements,
        alone: false,
        of: phraseIn(head, name.next),
      }
  }
  const tokens = tokensOf(sentence.text, sentence.start)
  const elements = elementsOf(tokens)
  // "Client (name, address, phone)"
  const [thing, aside, more] = elements
  if (thing?.kind === 'thing' && aside?.kind === 'aside' && more === undefined && aside.inside.length > 2)
    return { kind: 'heading', name: thing.phrase.name, sentence, elements: aside.inside, alone: false, of: undefined }
  // "market days (date, weather)": two plain words before a list name a thing, whatever else they can be.
  const listed = /^(?:[-•*]\s*)?(\p{L}[\p{L}-]*(?: [\p{L}-]+){0,2}s)\s*\([^()]*,[^()]*\)\.?$/u.exec(sentence.text)
  if (listed && elements.at(-1)?.kind === 'aside') {
    const { inside } = elements.at(-1) as Extract<Element, { kind: 'aside' }>
    const words = listed[1]!.toLowerCase().split(' ')
    const name = [...words.slice(0, -1), singular(words.at(-1)!)].join(' ')
    if (!noThings.has(name)) return { kind: 'heading', name, sentence, elements: inside, alone: false, of: undefined }
  }
  const words = tokens.filter((token) => token.is !== 'mark')
  const phrase = phraseAt(tokens, 0)
  if (
    words.length <= 3 &&
    phrase &&
    phrase.next >= words.length &&
    !/[.!?,]$/.test(sentence.text) &&
    !noThings.has(phrase.phrase.name)
  )
    return { kind: 'heading', name: phrase.phrase.name, sentence, elements: [], alone: true, of: undefined }
  return { kind: 'sentence', sentence, elements }
}

const announcing = /^(rule|note|need|requirement|important|constraint|limit|remark|business rule|also|other)$/

/** The thing a heading's words go on to name: "Treatments at an appointment". */
function phraseIn(tokens: readonly Token[], from: number): string | undefined {
  for (let at = from; at < tokens.length; at++) {
    const found = tokens[at]!.is === 'preposition' ? phraseAt(tokens, at + 1) : undefined
    if (found) return found.phrase.name
  }
  return undefined
}
