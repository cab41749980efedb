import { hintedKind } from '../../kinds'
import type { Element } from '../words/elements'
import type { Named } from './facts'
import type { Phrase } from '../words/phrases'

/** One entry of a list: "the date it was issued", "whether they sang solo", "urgency (low, high)". */
export interface Item {
  readonly phrase: Phrase | undefined
  /** What stands before the thing: "in service". */
  readonly lead: readonly Element[]
  readonly tail: readonly Element[]
  readonly asking: string | undefined
  readonly start: number
  readonly end: number
}

export const placeOf = (element: Element): { start: number; end: number } =>
  element.kind === 'thing' ? element.phrase : element.kind === 'doing' ? element.doing : element

/** Splits a list at its commas and joints. */
export function itemsOf(elements: readonly Element[]): Item[] {
  const items: Item[] = []
  let inner: Element[] = []
  const close = () => {
    if (inner.length > 0) items.push(itemOf(inner))
    inner = []
  }
  for (const element of elements) {
    if (element.kind === 'joint') close()
    else inner.push(element)
  }
  close()
  return items
}

function itemOf(elements: readonly Element[]): Item {
  const start = placeOf(elements[0]!).start
  const end = placeOf(elements.at(-1)!).end
  const first = elements[0]!
  if (first.kind === 'asking')
    return { phrase: undefined, lead: [], tail: elements.slice(1), asking: first.word, start, end }
  const at = elements.findIndex((element) => element.kind === 'thing')
  const thing = elements[at]
  return {
    phrase: thing?.kind === 'thing' ? thing.phrase : undefined,
    lead: at > 0 ? elements.slice(0, at) : [],
    tail: elements.slice(at + 1),
    asking: undefined,
    start,
    end,
  }
}

/** The words of a choice list in brackets or after "which is". */
export function choicesIn(elements: readonly Element[]): string[] | undefined {
  const words = itemsOf(elements).map((item) => wordsOf(item))
  return words.length >= 2 && words.every((word) => word !== '' && word.split(' ').length <= 4) ? words : undefined
}

export function wordsOf(item: Item): string {
  const words = item.phrase
    ? [
        ...item.lead.flatMap((one) => (one.kind === 'prep' || one.kind === 'quality' ? [one.word] : [])),
        item.phrase.name,
      ]
    : []
  for (const element of item.tail) {
    if (element.kind === 'quality') words.push(element.word)
    if (element.kind === 'prep') words.push(element.word)
    if (element.kind === 'thing') words.push(element.phrase.name)
    if (element.kind === 'doing' && element.doing.form !== 'is') words.push(element.doing.form)
    if (element.kind === 'other') words.push(element.word)
  }
  if (!item.phrase && words.length === 0 && item.asking) return ''
  return words.join(' ').trim()
}

/** A list entry as a fact with its name, and its kind where the words tell. */
export function namedBy(item: Item): Named | undefined {
  if (item.asking) return asked(item)
  const aside = item.tail.find((element) => element.kind === 'aside')
  const choices = aside?.kind === 'aside' ? choicesIn(aside.inside) : undefined
  const yesNo = choices?.every((choice) => /^(yes|no)$/.test(choice)) ?? false
  if (!item.phrase) {
    // "a title and abstract": a word taken for a quality, alone among things, is one of them.
    const [only, ...more] = item.tail.filter((element) => element !== aside)
    return only?.kind === 'quality' && more.length === 0
      ? { name: only.word, ...(yesNo && { kind: 'tick' }) }
      : undefined
  }
  const { phrase, tail } = item
  const counted =
    aside?.kind === 'aside' && aside.inside.some((element) => element.kind === 'asking' && element.word === 'how')
  const more = moreWords(tail)
  const told = [isSeveral(phrase) ? phrase.name : phrase.said, ...more].join(' ')
  const name = told.replace(/ ?\(?yes ?\/ ?no\)?$/, '')
  const tick = yesNo || told !== name
  const hinted = hintedKind(name) ?? hintedKind(phrase.name)
  // A value in kilowatts is no money.
  const measured = hinted === 'money' && phrase.unit && !/euro|pound|dollar/.test(phrase.unit) ? 'exact' : hinted
  const kind = tick ? 'tick' : choices ? 'choice' : counted ? 'whole' : measured
  const several = isSeveral(phrase)
  return {
    name,
    ...(kind && { kind }),
    ...(choices && !tick && { choices }),
    ...(several && { several }),
    ...(phrase.unit && { unit: phrase.unit }),
  }
}

export const isSeveral = ({ quantity }: Phrase) =>
  quantity?.most === 'several' || (typeof quantity?.most === 'number' && quantity.most > 1)

/** "the day it went out" is "day out", "the date requested" keeps its participle. */
function moreWords(tail: readonly Element[]): string[] {
  const words: string[] = []
  for (const [at, element] of tail.entries()) {
    if (element.kind === 'aside') break
    if (element.kind === 'doing') {
      const { verb, form } = element.doing
      const next = tail[at + 1]
      if (verb === 'be' && next?.kind === 'quality') continue
      const [main = '', particle] = form.split(' ')
      if (verb !== 'be' && verb !== 'have')
        words.push(...(particle && /^(go|come|be)$/.test(verb) ? [particle] : [main, particle ?? '']))
      if (!particle && next?.kind === 'prep' && tail[at + 2] === undefined) words.push(next.word)
      if (next?.kind !== 'quality') break
    } else if (element.kind === 'quality') words.push(element.word)
    else if (element.kind === 'thing' && (tail[at + 1]?.kind === 'doing' || tail[at - 1]?.kind === 'quality'))
      words.push(element.phrase.name)
    else if (element.kind === 'prep' && /^(in|out|off|on|back|up)$/.test(element.word) && tail[at + 1] === undefined)
      words.push(element.word)
    else if (element.kind !== 'pronoun') break
  }
  return words.filter(Boolean)
}

/** Entries that ask: whether, how many, when, who. */
function asked({ asking, tail }: Item): Named | undefined {
  const first = tail[0]
  const rest = tail.filter((element) => element.kind !== 'pronoun' && element.kind !== 'aside')
  const aside = tail.find((element) => element.kind === 'aside')
  const choices = aside?.kind === 'aside' ? choicesIn(aside.inside) : undefined
  const words = (elements: readonly Element[]) => elements.flatMap(wordOf).join(' ')
  switch (asking) {
    case 'whether':
    case 'if': {
      const name = words(rest)
      return name ? { name, kind: 'tick' } : undefined
    }
    case 'when': {
      const verb = rest.find((element) => element.kind === 'doing')
      if (verb?.kind !== 'doing') return undefined
      const clock = /^(arrive|leave|start|end|begin|finish|open|close)$/.test(verb.doing.verb)
      // "when it is to be ready"
      const name = words(rest).replace(/^to /, '')
      return { name: verb.doing.form === 'is' ? name || 'date' : name, kind: clock ? 'time' : 'date' }
    }
    case 'who': {
      const verb = rest.find((element) => element.kind === 'doing')
      // "Who had it before" asks for what was, not for a fact by a name.
      if (verb?.kind !== 'doing' || verb.doing.verb === 'have') return undefined
      // "Who was in charge": a person, told by what follows; "who signed": by what they did.
      const { verb: done, form } = verb.doing
      const name = done === 'be' ? `person ${words(rest)}`.trim() : `${done === 'do' ? 'done' : form} by`
      return { name, kind: 'line' }
    }
    case 'which':
    case 'what':
    case 'whose': {
      const thing = rest.find((element) => element.kind === 'thing')
      if (thing?.kind === 'thing') return { name: thing.phrase.name }
      const told = words(rest)
      // "what is wrong": the word alone would say nothing.
      const plain = rest.some((element) => element.kind === 'quality') && rest.length === 2
      const name = plain ? `what is ${told}` : told
      const kind = hintedKind(name)
      return name ? { name, ...(kind && { kind }) } : undefined
    }
    case 'where':
      return { name: words(rest) || 'place', kind: 'line' }
    case 'why':
      return { name: 'reason', kind: 'passage' }
    case 'how': {
      if (first?.kind === 'thing' && first.phrase.quantity)
        return { name: first.phrase.said, kind: hintedKind(first.phrase.name) === 'exact' ? 'exact' : 'whole' }
      if (first?.kind === 'pronoun' && first.word === 'many') return { name: words(rest) || 'number', kind: 'whole' }
      if (first && wordOf(first).join('').startsWith('much')) {
        const thing = rest.slice(1).find((element) => element.kind === 'thing')
        return { name: thing?.kind === 'thing' ? thing.phrase.name : 'quantity', kind: 'exact' }
      }
      const name = words(rest)
      return name ? { name: `how ${name}`, kind: choices ? 'choice' : 'line', ...(choices && { choices }) } : undefined
    }
    default:
      return undefined
  }
}

function wordOf(element: Element): string[] {
  if (element.kind === 'thing') return [element.phrase.name]
  if (element.kind === 'quality' || element.kind === 'prep' || element.kind === 'other') return [element.word]
  if (element.kind === 'doing')
    return element.doing.form === 'is' || element.doing.form === 'has' ? [] : [element.doing.form]
  return []
}
