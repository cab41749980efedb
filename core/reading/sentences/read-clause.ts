import { attributeHeads } from '../knowledge/attributes'
import { keepingVerbs, officeNames, owning, recording, timeSpans } from '../knowledge/frames'
import type { Quantity } from '../knowledge/quantities'
import type { Clause } from './clauses'
import type { Context } from '../facts/context'
import type { Doing, Element } from '../words/elements'
import type { Fact } from '../facts/facts'
import { hintedKind } from '../../kinds'
import { itemsOf } from '../facts/items'
import { type Phrase } from '../words/phrases'
import { isChoice, readBeing } from './read-being'
import { readList, readPairList } from './read-list'
import { readDoing } from './read-doing'
import { lastVerb, ownerAtEnd, readKeepList, readKept, readRecording } from './read-recording'

const office = new Set(['we', 'i', 'you', 'us', 'staff', 'somebody', 'someone'])

/** What a clause says. The things known so far are in the context; each clause may tell of more. */
export function readClause(clause: Clause, context: Context): Fact[] {
  const { doing, pronoun, subject } = clause
  if (!doing) return readVerbless(clause, context)
  // "no more than 20 patients a day" is about days, not about how things are tied.
  if ((doing.not || subject?.det === 'no') && perTime(clause.rest)) return []
  if (subject && isOffice(subject) && recording.has(lastVerb(clause)) && !doing.passive)
    return readRecording(clause, context)
  if (doing.passive && keepingVerbs.has(doing.verb) && clause.head.length > 0) return readKept(clause, context)
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
const isOffice = ({ name, det }: Phrase) => officeNames.has(name) && det !== 'each' && det !== 'a'

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

const perOne = ({ quantity, plural, det }: Phrase): Quantity =>
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
    } else facts.push(...readList(clause.rest, name, context, clause.doing, subject))
  }
  return facts
}

const perTime = (rest: readonly Element[]) =>
  rest.some((element, at) => {
    const next = rest[at + 1]
    return (
      element.kind === 'prep' && element.word === 'per' && next?.kind === 'thing' && timeSpans.has(next.phrase.name)
    )
  })

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
