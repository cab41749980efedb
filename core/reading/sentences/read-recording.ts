import { attributeHeads } from '../knowledge/attributes'
import { countingWords, happenings, notedVerbs } from '../knowledge/frames'
import type { Quantity } from '../knowledge/quantities'
import type { Clause } from './clauses'
import type { Context } from '../facts/context'
import type { Element } from '../words/elements'
import type { Fact } from '../facts/facts'
import { hintedKind } from '../../kinds'
import { type Item, itemsOf, placeOf } from '../facts/items'
import { type Phrase } from '../words/phrases'
import { readList, readPairList } from './read-list'

/** "The date and amount of each payment are recorded": what is kept stands before the verb. */
export function readKept(clause: Clause, context: Context): Fact[] {
  return readRecording({ ...clause, rest: clause.head, doing: { ...clause.doing!, passive: false } }, context)
}

/** "we want to keep", "we need to know": the last verb says what is done. */
export function lastVerb({ doing, rest }: Clause): string {
  let verb = doing!.verb
  for (let at = 0; at < rest.length; at++) {
    const element = rest[at]!
    const next = rest[at + 1]
    if (element.kind === 'prep' && element.word === 'to' && next?.kind === 'doing') verb = next.doing.verb
    else if (element.kind === 'doing') verb = element.doing.verb
    else if (
      !(element.kind === 'prep' && element.word === 'to') &&
      element.kind !== 'other' &&
      element.kind !== 'quality'
    )
      break
  }
  return verb
}

/** What follows the last verb of "we want to be able to keep …". */
function objects({ rest }: Clause): readonly Element[] {
  let from = 0
  for (let at = 0; at < rest.length; at++) {
    const element = rest[at]!
    if (element.kind === 'doing' && (at === 0 || rest[at - 1]?.kind === 'prep')) from = at + 1
    else if (
      !(element.kind === 'prep' && element.word === 'to') &&
      element.kind !== 'other' &&
      element.kind !== 'quality'
    )
      break
  }
  // "keep track of", "write down", "take a note of"
  while (
    rest[from] &&
    (isWord(rest[from]!, /^(down|of|about|on|up)$/) || isNamed(rest[from]!, /^(track|note|record|down)$/))
  )
    from++
  return rest.slice(from)
}

const isWord = (element: Element, words: RegExp) =>
  (element.kind === 'prep' || element.kind === 'quality' || element.kind === 'other') && words.test(element.word)
const isNamed = (element: Element, words: RegExp) => element.kind === 'thing' && words.test(element.phrase.name)

/** "For each loan we note the day it went out": facts about what stands before, or after "of", "for", "about". */
export function readRecording(clause: Clause, context: Context): Fact[] {
  const facts: Fact[] = []
  const rest = objects(clause)
  const leads = clause.lead
    .map(({ phrase }) => phrase)
    .filter((phrase) => context.may(phrase.name) || context.of(phrase))
  for (const phrase of leads) {
    const one = phrase.det === 'each' || phrase.det === 'a'
    facts.push(...context.thingFact(phrase, one ? 3 : 1.5, one))
  }
  const owners = [
    ...new Set(
      leads
        .flatMap((phrase) => [phrase, ...(phrase.of ? [phrase.of] : [])])
        .map((phrase) => context.of(phrase) ?? phrase.name),
    ),
  ]
  if (owners.length >= 2) {
    const [b, a] = owners as [string, string]
    context.lastTie = { a, b }
    return [
      ...facts,
      { kind: 'tie', a, b, perA: several, loose: true, verb: 'have', at: context.at(leads[0]!) },
      ...readPairList(rest, a, b, context),
    ]
  }
  if (owners.length === 1) {
    const owner = owners[0]!
    context.lastOwner = owner
    const happening = context.lastVerb !== undefined && context.happening(context.lastVerb) === owner
    return [...facts, ...(happening ? ofSubject(owner, context, rest) : []), ...readList(rest, owner, context)]
  }
  const about = ownerAtEnd(rest)
  if (about && (context.may(about.name) || context.of(about))) {
    const owner = context.of(about) ?? about.name
    const first = rest.find((element) => element.kind === 'thing')
    const counts = first?.kind === 'thing' && countingWords.has(first.phrase.name.split(' ')[0]!)
    if (!context.lastTie && about.det === 'each' && counts) return readPairList(rest, owner, '*', context)
    // "note the quantity of each treatment given": a fact about the two that were just tied.
    const tie = context.lastTie
    if (tie && (tie.a === owner || tie.b === owner) && about.det === 'each' && counts)
      return readPairList(rest, tie.a, tie.b, context)
    context.lastOwner = owner
    return [
      ...context.thingFact(
        about,
        about.det === 'each' || about.det === 'a' ? 3 : itemsOf(rest).length > 1 ? 2 : 1.5,
        true,
      ),
      // "names and addresses of drivers": one name and one address for each.
      ...readList(about.plural ? rest.map(inSingular) : rest, owner, context),
    ]
  }
  const both = whichAndWhich(rest, context)
  if (both) return both
  const happened = context.lastVerb ? noted(context.lastVerb, context) : undefined
  if (happened)
    return [...happened.facts, ...ofSubject(happened.thing, context, rest), ...readList(rest, happened.thing, context)]
  if (context.lastTie) return readPairList(rest, context.lastTie.a, context.lastTie.b, context)
  const items = itemsOf(rest)
  if (
    context.lastOwner &&
    items.some((item) => item.asking || !item.phrase || item.phrase.det !== undefined || !context.may(item.phrase.name))
  )
    return readList(rest, context.lastOwner, context)
  return readKeepList(items, context)
}

/** "We keep clients (name, phone), jobs and invoices"; "customer details (name, phone)". */
export function readKeepList(items: readonly Item[], context: Context): Fact[] {
  return items.flatMap((item): Fact[] => {
    if (!item.phrase) return []
    const about = /^(.+) (detail|information|data|record|info)$/.exec(item.phrase.name)?.[1]
    const phrase = about ? { ...item.phrase, name: about, core: about } : item.phrase
    if (!context.may(phrase.name)) return []
    const aside = item.tail.find((element) => element.kind === 'aside')
    const owner = context.of(phrase) ?? phrase.name
    // "materials (cloth, leather, board)" gives examples, "clients (name, phone)" gives facts.
    const facts =
      aside?.kind === 'aside' &&
      itemsOf(aside.inside).some(
        ({ phrase: one }) => one && (hintedKind(one.name) !== undefined || attributeHeads.has(one.name)),
      )
    const own = facts ? readList(aside.inside, owner, context) : []
    return [...context.thingFact(phrase, own.length > 1 ? 3 : 2, own.length > 1), ...own]
  })
}

/** "which materials went into which job, and how much": a tie with facts of its own. */
function whichAndWhich(rest: readonly Element[], context: Context): Fact[] | undefined {
  const whiches = rest.flatMap((element, at) => {
    const thing = rest[at + 1]
    return element.kind === 'asking' && element.word === 'which' && thing?.kind === 'thing'
      ? [{ at: at + 1, phrase: thing.phrase }]
      : []
  })
  const [first, second] = whiches
  if (!first || !second || whiches.length !== 2) return undefined
  const [b, a] = [context.of(first.phrase) ?? first.phrase.name, context.of(second.phrase) ?? second.phrase.name]
  context.lastTie = { a, b }
  const at = context.at(first.phrase)
  return [
    ...context.thingFact(first.phrase, 2, true),
    ...context.thingFact(second.phrase, 2, true),
    { kind: 'tie', a, b, perA: several, verb: 'share', at },
    { kind: 'tie', a: b, b: a, perA: several, verb: 'share', at },
    ...readPairList(rest.slice(second.at + 1), a, b, context),
  ]
}

/** What happenings are noted down as, even where no noun was said: "when they pay we note the amount". */
function noted(verb: string, context: Context): { thing: string; facts: Fact[] } | undefined {
  const known = context.happening(verb)
  if (known) return { thing: known, facts: [] }
  if (!notedVerbs.has(verb)) return undefined
  const thing = happenings[verb]![0]!
  return { thing, facts: [{ kind: 'thing', name: thing, weight: 2, at: context.at({ start: 0, end: 0 }) }] }
}

/** Each thing that happened is of one that it was told of. */
function ofSubject(thing: string, context: Context, rest: readonly Element[]): Fact[] {
  const of = context.lastSubject
  const first = rest[0]
  if (!of || of === thing || !first) return []
  return [{ kind: 'tie', a: of, b: thing, perA: several, verb: 'have', at: context.at(placeOf(first)) }]
}

const several: Quantity = { least: undefined, most: 'several' }

/** Whose facts they are: the last "of each X" or "for each X", or the possessor of the first. */
export function ownerAtEnd(rest: readonly Element[]): Phrase | undefined {
  for (let at = rest.length - 1; at >= 0; at--) {
    const element = rest[at]!
    if (element.kind !== 'thing') continue
    if (element.phrase.of) return element.phrase.of
    const before = rest[at - 1]
    if (
      before?.kind === 'prep' &&
      /^(of|for|about|on)$/.test(before.word) &&
      ['each', 'a', 'the'].includes(element.phrase.det ?? '')
    )
      return element.phrase
    if (element.phrase.owner)
      return { ...element.phrase, name: element.phrase.owner, core: element.phrase.owner, det: 'the', owner: undefined }
  }
  return undefined
}

const inSingular = (element: Element): Element =>
  element.kind === 'thing' ? { ...element, phrase: { ...element.phrase, said: element.phrase.name } } : element
