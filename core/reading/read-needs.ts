import type { Sentence } from './sentences/sentences'
import { leadingWords } from './knowledge/frames'
import { assemble } from './design/assemble'
import { clausesOf } from './sentences/clauses'
import { Context } from './facts/context'
import type { Element } from './words/elements'
import { type Line, linesOf } from './sentences/lines'
import { namedPhrases } from './sentences/named-phrases'
import type { Fact } from './facts/facts'
import { phraseAt } from './words/phrases'
import { readClause } from './sentences/read-clause'
import { readList } from './sentences/read-list'
import type { Reading } from '../needs'
import { thingsIn } from './facts/things'
import { tokensOf } from './words/tokens'

/**
 * Reads needs written in plain English and proposes a design: tables, fields, ties and questions, each
 * with the words it rests on. Read twice: first to see which nouns are things of their own, then for what
 * is said about them. The same needs give the same reading.
 */
export function readNeeds(needs: readonly string[]): Reading {
  const lines = needs.map(classed)
  let known = thingsIn(readAll(lines, new Set(), new Map()))
  // A noun once known for a thing stays one: what is said of it reads otherwise then, and says more of others.
  for (let round = 0; round < 3; round++) {
    const now = thingsIn(readAll(lines, known.things, known.names))
    const things = new Set([...known.things, ...now.things])
    const settled = things.size === known.things.size && now.names.size === known.names.size
    known = { things, names: now.names }
    if (settled) break
  }
  const reading = assemble(readAll(lines, known.things, known.names), known.things, known.names)
  return { ...reading, phrases: lines.flatMap(namedPhrases) }
}

// Saying which word is what takes most of the time, and a need seldom changes: what was classed is kept.
const kept = new Map<string, Line[]>()

function classed(text: string): Line[] {
  const known = kept.get(text)
  if (known) return known
  if (kept.size > 3000) kept.clear()
  const lines = linesOf(text)
  kept.set(text, lines)
  return lines
}

/** What a question asks for by name speaks a little for being kept. */
function asked(elements: readonly Element[], context: Context): Fact[] {
  return elements.flatMap((element) =>
    element.kind === 'thing' && context.may(element.phrase.name) ? context.thingFact(element.phrase, 0.7) : [],
  )
}

function readAll(
  needs: readonly (readonly Line[])[],
  things: ReadonlySet<string>,
  names: ReadonlyMap<string, string>,
): Fact[] {
  const facts: Fact[] = []
  const found = new Map<string, string | undefined>()
  let headed: string | undefined
  needs.forEach((lines, need) => {
    const context = new Context(need, things, names, found)
    context.lastOwner = headed
    for (const line of lines) {
      const at = { need, start: line.sentence.start, end: line.sentence.start + line.sentence.text.length }
      if (line.kind === 'question')
        facts.push(
          { kind: 'question', text: line.sentence.text.replace(/[.?!]+$/, ''), at },
          ...asked(line.elements, context),
        )
      else if (line.kind === 'heading') {
        const owner = context.thing(line.name) ?? line.name
        const own = readHeaded(line.elements, owner, context)
        facts.push(
          {
            kind: 'thing',
            name: line.name,
            weight: line.alone ? 1 : own.weight,
            ...(own.weight > 2 && { sure: true }),
            at,
          },
          ...own.facts,
        )
        const of = line.of && context.thing(line.of)
        if (of && of !== owner)
          facts.push({ kind: 'tie', a: of, b: owner, perA: { least: undefined, most: 'several' }, verb: 'have', at })
        headed = line.alone ? owner : headed
        context.lastOwner = owner
      } else facts.push(...readSentence(line.sentence, line.elements, context))
    }
  })
  return facts
}

/** What stands after "Clients:": a list of facts, or sentences about them. */
function readHeaded(elements: readonly Element[], owner: string, context: Context): { facts: Fact[]; weight: number } {
  const verb = elements.some((element) => element.kind === 'doing')
  context.lastOwner = owner
  const listed = elements[0]?.kind === 'thing' && elements[1]?.kind === 'joint' && elements[1].word === ','
  if (!verb || listed) return { facts: readList(elements, owner, context), weight: 3 }
  return { facts: clausesOf(elements).flatMap((clause) => readClause(clause, context)), weight: 1.5 }
}

function readSentence(sentence: Sentence, elements: readonly Element[], context: Context): Fact[] {
  // What was tied a sentence ago may still be meant, what came before that not.
  const [tie, before] = [context.lastTie, context.tieBefore]
  if (tie && tie === before) context.lastTie = undefined
  context.tieBefore = context.lastTie
  context.lastVerb = undefined
  context.lastSubject = undefined
  const same = synonyms(sentence, context)
  const facts: Fact[] = [...same]
  const bound = boundIn(elements, context)
  if (bound) return [...facts, ...bound]
  for (const clause of clausesOf(elements)) {
    if (clause.pronoun === 'one of them') {
      const found = leadingWords.find(([pattern]) => pattern.test(sentence.text))
      if (found && context.lastTie) {
        const { a, b } = context.lastTie
        facts.push({
          kind: 'pairFact',
          a,
          b,
          named: { name: found[1], kind: 'tick' },
          limit: { most: 1, per: facts.findLast((fact) => fact.kind === 'tie')?.a ?? a },
          at: context.at({ start: sentence.start, end: sentence.start + sentence.text.length }),
        })
      }
      continue
    }
    facts.push(...readClause(clause, context))
  }
  return facts
}

/** "No more than two bookings per crossing": a limit that stands by itself, without a verb. */
function boundIn(elements: readonly Element[], context: Context): Fact[] | undefined {
  const [counted, prep, per, ...rest] = elements.filter((element) => element.kind !== 'joint' || element.word !== '.')
  if (counted?.kind !== 'thing' || prep?.kind !== 'prep' || per?.kind !== 'thing' || rest.length > 0) return undefined
  const { quantity } = counted.phrase
  const each =
    prep.word === 'per' || per.phrase.det === 'each' || per.phrase.det === 'a' || per.phrase.quantity?.most === 1
  if (!each || typeof quantity?.most !== 'number') return undefined
  const [a, b] = [context.of(per.phrase), context.of(counted.phrase)]
  const things = [...context.thingFact(counted.phrase, 1.2), ...context.thingFact(per.phrase, 1.2)]
  if (!a || !b || a === b) return things
  const at = context.at({ start: counted.phrase.start, end: per.phrase.end })
  return [...things, { kind: 'tie', a, b, perA: { least: undefined, most: quantity.most }, verb: 'have', at }]
}

/** "a member, also called a friend of the choir": one thing under two names. */
function synonyms(sentence: Sentence, context: Context): Fact[] {
  const found =
    /(?:^|[\s(])(?:an?|the|each|every)?\s*([\p{L}-]+(?: [\p{L}-]+)?),? (?:\()?(?:also (?:called|known as)|which we (?:also )?call|we (?:also )?call (?:it|them)|known as|a\.?k\.?a\.?|otherwise known as) (?:an? |the )?([\p{L}-]+(?: of the [\p{L}-]+| [\p{L}-]+)?)/iu.exec(
      sentence.text,
    )
  if (!found) return []
  const name = (words: string) => phraseAt(tokensOf(words, 0), 0)?.phrase.name
  const first = name(found[1]!.replace(/^(each|every|an?|the) /i, ''))
  const second = name(found[2]!)
  if (!first || !second || first === second) return []
  return [
    {
      kind: 'same',
      name: second,
      as: first,
      at: context.at({ start: sentence.start + found.index, end: sentence.start + found.index + found[0].length }),
    },
  ]
}
