import { attributeHeads } from '../knowledge/attributes'
import { happenings, owning, recording } from '../knowledge/frames'
import type { Quantity } from '../knowledge/quantities'
import type { Clause } from './clauses'
import type { Context } from './context'
import type { Doing, Element } from './elements'
import type { Fact } from './facts'
import { hintedKind, type Item, itemsOf, placeOf } from './items'
import { type Phrase } from './phrases'
import { isChoice, readBeing } from './read-being'
import { readList, readPairList } from './read-list'
import { readDoing } from './read-doing'

const office = new Set(['we', 'i', 'you', 'us', 'staff', 'somebody', 'someone'])

/** What a clause says. The things known so far are in the context; each clause may tell of more. */
export function readClause(clause: Clause, context: Context): Fact[] {
  const { doing, pronoun, subject } = clause
  if (!doing) return readVerbless(clause, context)
  if (subject && isOffice(subject) && recording.has(lastVerb(clause)) && !doing.passive)
    return readRecording(clause, context)
  if (doing.passive && keeping.test(doing.verb) && clause.head.length > 0) return readKept(clause, context)
  const imperative =
    subject === undefined && pronoun === undefined && doing.verb !== 'be' && !doing.passive && clause.lead.length === 0
  const byOffice = (pronoun !== undefined && office.has(pronoun)) || imperative
  if (byOffice && recording.has(lastVerb(clause))) return readRecording(clause, context)
  if (byOffice) return readByOffice(clause, context)
  if (!subject) {
    if (pronoun) context.lastVerb = doing.verb
    return readThere(clause, context)
  }
  if (recording.has(doing.verb) && clause.lead.length > 0 && !owning.has(doing.verb))
    return readRecording(clause, context)
  context.lastVerb = doing.verb
  context.lastSubject = context.of(subject)
  if (doing.verb === 'be' || doing.passive || doing.form === 'is' || (/ing$/.test(doing.form) && isChoice(clause)))
    return readBeing(clause, subject, context)
  return owning.has(doing.verb) && !doing.passive
    ? readOwning(clause, subject, context)
    : readDoing(clause, subject, context)
}

/** "The system must store …": the office's tools speak for the office. */
const isOffice = ({ name, det }: Phrase) =>
  /^(system|database|program|programme|software|application|app|tool|solution|office|company|firm|business|organisation|organization|club|school|shop|association|charity|library|team|manager|owner|administrator)$/.test(
    name,
  ) &&
  det !== 'each' &&
  det !== 'a'

const keeping = /^(keep|record|note|store|register|log|write|track|list|hold|save|enter|document|collect|capture)$/

/** "The date and amount of each payment are recorded": what is kept stands before the verb. */
function readKept(clause: Clause, context: Context): Fact[] {
  return readRecording({ ...clause, rest: clause.head, doing: { ...clause.doing!, passive: false } }, context)
}

/** "we want to keep", "we need to know": the last verb says what is done. */
function lastVerb({ doing, rest }: Clause): string {
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
function readRecording(clause: Clause, context: Context): Fact[] {
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
    const counts =
      first?.kind === 'thing' && /^(quantity|amount|number|share|hours?|dose|portion)\b/.test(first.phrase.name)
    if (!context.lastTie && about.det === 'each' && counts) return readPairList(rest, owner, '*', context)
    // "note the quantity of each treatment given": a fact about the two that were just tied.
    const tie = context.lastTie
    if (tie && (tie.a === owner || tie.b === owner) && about.det === 'each' && counts)
      return readPairList(rest, tie.a, tie.b, context)
    context.lastOwner = owner
    return [
      ...context.thingFact(about, about.det === 'each' || about.det === 'a' ? 3 : 1.5, true),
      ...readList(rest, owner, context),
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
function readKeepList(items: readonly Item[], context: Context): Fact[] {
  return items.flatMap((item): Fact[] => {
    if (!item.phrase) return []
    const about = /^(.+) (detail|information|data|record|info)$/.exec(item.phrase.name)?.[1]
    const phrase = about ? { ...item.phrase, name: about } : item.phrase
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
  if (!/^(pay|inspect|harvest|donate|visit|deliver|vaccinate)$/.test(verb)) return undefined
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
function ownerAtEnd(rest: readonly Element[]): Phrase | undefined {
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
    if (element.phrase.owner) return { ...element.phrase, name: element.phrase.owner, det: 'the', owner: undefined }
  }
  return undefined
}

/** "On each job we use materials", "We open a job for a vehicle". */
function readByOffice(clause: Clause, context: Context): Fact[] {
  const lead = clause.lead.map(({ phrase }) => phrase).find((phrase) => context.may(phrase.name))
  context.lastVerb = lastVerb(clause)
  if (lead)
    return [...context.thingFact(lead, 1.5), ...readDoing({ ...clause, lead: clause.lead.slice(1) }, lead, context)]
  const things = clause.rest.flatMap((element, at) =>
    element.kind === 'thing' ? [{ phrase: element.phrase, prep: clause.rest[at - 1] }] : [],
  )
  const first = things[0]
  const second = things.find(({ prep }) => prep?.kind === 'prep' && /^(for|from|to|about|with|at)$/.test(prep.word))
  if (!first || !second || first === second)
    return first && first.phrase.plural && !first.phrase.quantity ? context.thingFact(first.phrase, 0.6) : []
  const a = context.of(first.phrase)
  const b = context.of(second.phrase)
  if (a && b && a !== b) {
    context.lastTie = { a, b }
    return [{ kind: 'tie', a, b, perA: perOne(second.phrase), verb: clause.doing!.verb, at: context.at(first.phrase) }]
  }
  return [...context.thingFact(first.phrase, 0.8), ...context.thingFact(second.phrase, 0.8)]
}

export const perOne = ({ quantity, plural, det }: Phrase): Quantity =>
  quantity ??
  (plural
    ? { least: undefined, most: 'several' }
    : { least: det === 'a' || det === 'the' || det === 'each' ? 1 : undefined, most: 1 })

/** "There are several boats of each type", "In each apiary stand several hives". */
function readThere(clause: Clause, context: Context): Fact[] {
  const first = clause.rest.find((element) => element.kind === 'thing')
  if (first?.kind !== 'thing') return []
  const lead = clause.lead.map(({ phrase }) => phrase).find((phrase) => context.of(phrase) ?? context.may(phrase.name))
  const of = first.phrase.of ?? lead
  if (!of) return context.thingFact(first.phrase, 1)
  const b = context.of(first.phrase)
  const a = context.of(of)
  const facts = [...context.thingFact(first.phrase, 1.2), ...context.thingFact(of, 1.2)]
  if (!a || !b || a === b) return facts
  context.lastTie = { a, b }
  const verb = clause.doing!.verb === 'be' && !first.phrase.of ? 'share' : 'have'
  return [...facts, { kind: 'tie', a, b, perA: perOne(first.phrase), verb, at: context.at(first.phrase) }]
}

/** "A customer has a name": facts about the subject, or what hangs on it. */
function readOwning(clause: Clause, subject: Phrase, context: Context): Fact[] {
  const facts: Fact[] = []
  const strong = clause.doing!.verb === 'have'
  for (const owner of [subject, ...clause.besides]) {
    const named = owner.det !== 'the' && owner.det !== 'own'
    facts.push(...context.thingFact(owner, !named ? 0.8 : strong ? 2.5 : 1.5, strong && named))
    const name = context.of(owner) ?? owner.name
    context.lastOwner = name
    const lead = clause.lead
      .map(({ phrase }) => context.of(phrase))
      .find((other) => other !== undefined && other !== name)
    if (lead) {
      context.lastTie = { a: lead, b: name }
      facts.push(...readPairList(clause.rest, lead, name, context))
    } else facts.push(...readList(clause.rest, name, context, clause.doing!, subject))
  }
  return facts
}

const plainBe: Doing = { verb: 'be', form: 'is', may: false, must: false, not: false, passive: false, start: 0, end: 0 }

/** Statements without a verb: "In one swap several packets", "One event, many dishes", a bare list. */
function readVerbless(clause: Clause, context: Context): Fact[] {
  const things = clause.rest.flatMap((element) => (element.kind === 'thing' ? [element.phrase] : []))
  const [first, second] = things
  if (things.length === 2 && first?.quantity?.most === 1 && second && (second.quantity || second.plural)) {
    const a = context.of(first)
    const b = context.of(second)
    if (a && b) return [{ kind: 'tie', a, b, perA: perOne(second), verb: 'have', at: context.at(first) }]
  }
  const [each, prep] = clause.rest
  if (each?.kind === 'thing' && each.phrase.det === 'each' && prep?.kind === 'prep')
    return readBeing({ ...clause, doing: plainBe, rest: clause.rest.slice(1) }, each.phrase, context)
  const about = ownerAtEnd(clause.rest)
  const attribute =
    each?.kind === 'thing' && (hintedKind(each.phrase.name) !== undefined || attributeHeads.has(each.phrase.name))
  if (about && attribute && (context.may(about.name) || context.of(about)))
    return [
      ...context.thingFact(about, about.det === 'each' ? 3 : 1.5, about.det === 'each'),
      ...readList(clause.rest, context.of(about) ?? about.name, context),
    ]
  const withAside = itemsOf(clause.rest).filter((item) => item.tail.some((element) => element.kind === 'aside'))
  return readKeepList(withAside, context)
}
