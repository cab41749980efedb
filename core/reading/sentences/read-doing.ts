import { attributeHeads, noThings } from '../knowledge/attributes'
import { assigningVerbs, belonging, groupingVerbs, makingVerbs, placingVerbs, selfVerbs } from '../knowledge/frames'
import type { Quantity } from '../knowledge/quantities'
import type { Clause } from './clauses'
import type { Element } from '../words/elements'
import type { Context } from '../facts/context'
import type { Fact } from '../facts/facts'
import { hintedKind } from '../../kinds'
import { namedBy } from '../facts/items'
import type { Phrase } from '../words/phrases'
import { readPairList } from './read-list'
import { type TieWords, tieWords, turned } from '../facts/tie-words'

/** "A member borrows tools", "is booked for one premises on a day": ties to things, and facts told on the way. */
export function readDoing(clause: Clause, subject: Phrase, context: Context): Fact[] {
  const doing = clause.doing!
  const name = context.of(subject) ?? subject.name
  const weight =
    subject.det === 'each' || subject.det === 'a' || subject.det === 'no'
      ? 1.2
      : subject.plural || subject.det === undefined
        ? 0.9
        : 0.4
  const facts: Fact[] = context.thingFact(subject, weight + toldOf(clause, subject))
  if (context.of(subject)) context.lastOwner = name
  else
    context.lastSubject = clause.rest
      .map((element) => (element.kind === 'thing' ? context.of(element.phrase) : undefined))
      .find((thing) => thing !== undefined)
  const self = context.of(subject)
  // "is with one vet" ties like any other word before a thing; "works on jobs, with the hours" adds facts.
  const withAt = clause.rest.findIndex((element, at) => {
    const next = clause.rest[at + 1]
    return element.kind === 'prep' && element.word === 'with' && !(next?.kind === 'thing' && context.of(next.phrase))
  })
  const main = withAt > 0 ? clause.rest.slice(0, withAt) : clause.rest
  let tied = false
  let prep = ''
  let made: string | undefined
  for (const [at, element] of main.entries()) {
    if (element.kind === 'prep') prep = element.word
    if (element.kind !== 'thing') continue
    const phrase = asCounted(element.phrase, main.slice(at + 1))
    const other =
      context.of(phrase) ??
      (phrase.of && noThings.has(phrase.name.split(' ').at(-1)!) ? context.of(phrase.of) : undefined)
    if (self && other && other !== self) {
      if (made && prep !== '' && made !== other) {
        // "writes notes on a ticket": the note is on the ticket.
        context.lastTie = { a: made, b: other }
        facts.push({ kind: 'tie', a: made, b: other, perA: quantity(phrase), verb: doing.verb, at: context.at(phrase) })
      } else facts.push(saying(tie(clause, subject, self, phrase, other, prep, context), self, tieWords(doing, prep)))
      if (prep === '' && makingVerbs.has(doing.verb) && !doing.passive) made = other
      if (prep === '' && !doing.passive) context.lastOwner = other
      facts.push(...context.thingFact(phrase, weighed(phrase, prep, doing.verb)))
      tied = true
    } else if (self && other === self && selfVerbs.has(doing.verb) && phrase !== subject) {
      facts.push({
        kind: 'tie',
        a: self,
        b: self,
        perA: { least: 0, most: 1 },
        verb: doing.verb,
        at: context.at(phrase),
      })
    } else if (!other) {
      const may = context.may(phrase.name)
      if (may) facts.push(...context.thingFact(phrase, weighed(phrase, prep, doing.verb)))
      if (phrase.of && !context.of(phrase.of)) facts.push(...context.thingFact(phrase.of, 0.6))
      const told = self && factTold(clause, subject, phrase, prep, at, context)
      if (told) facts.push(told)
    }
    prep = ''
  }
  // "on each job we use materials": what is led in is tied to the subject.
  const lead = clause.lead
    .map(({ phrase }) => phrase)
    .find((phrase) => context.of(phrase) && context.of(phrase) !== self)
  if (self && lead && !tied) {
    const a = context.of(lead)!
    context.lastTie = { a, b: self }
    const verb = belonging.has(doing.verb) || makingVerbs.has(doing.verb) ? doing.verb : 'share'
    facts.push({ kind: 'tie', a, b: self, perA: quantity(subject), verb, at: context.at(subject) })
  }
  for (const { phrase } of clause.lead) facts.push(...context.thingFact(phrase, 0.8))
  if (withAt > 0 && context.lastTie && tied)
    facts.push(...readPairList(clause.rest.slice(withAt + 1), context.lastTie.a, context.lastTie.b, context))
  return facts
}

/** "From a day till another": which end of a span a date is, by the word before it. */
const spanEnds: Readonly<Record<string, string>> = { from: 'start', to: 'end', till: 'end', until: 'end' }

/** "By an engineer, sometimes two": one as a rule, but there may be several. */
function asCounted(phrase: Phrase, after: readonly Element[]): Phrase {
  const [joint, more] = after
  const several =
    joint?.kind === 'joint' &&
    /^(,|or)$/.test(joint.word) &&
    more?.kind === 'pronoun' &&
    /^(two|three|four|more|several|both)$/.test(more.word)
  return several && !phrase.plural ? { ...phrase, quantity: { least: 1, most: 'several' } } : phrase
}

/** "A booking is made by a school", "one ticket is for one crossing": what is told so is written down somewhere. */
function toldOf({ doing, rest }: Clause, { det, quantity: said }: Phrase): number {
  const single = det === 'a' || det === 'each' || said?.most === 1
  if (!single || doing!.not) return 0
  const after = (word: string) => {
    const at = rest.findIndex((element) => element.kind === 'prep' && element.word === word)
    const next = rest[at + 1]
    return at >= 0 && next?.kind === 'thing' && (next.phrase.det === 'a' || next.phrase.quantity?.most === 1)
  }
  if (doing!.passive && after('by')) return 1
  const counted = said?.most === 1 || det === 'each'
  // "Each firing is on a day, at a temperature": what is told of each one is kept.
  const facts = rest.filter((element, at) => {
    const prep = rest[at - 1]
    return (
      element.kind === 'thing' &&
      element.phrase.det === 'a' &&
      attributeHeads.has(element.phrase.name.split(' ').at(-1)!) &&
      prep?.kind === 'prep'
    )
  })
  if (det === 'each' && facts.length > 1) return 1.1
  return doing!.verb === 'be' && counted && (after('for') || after('of')) ? 1.1 : 0
}

const person =
  /(er|or|ist|ian|ant|man|woman|person|nurse|coach|guide|chef|clerk|parent|student|agent|patient|vet|artist|doctor)$/

/** How strongly it speaks for a noun that something is tied to it: "belongs to one category" more than "in the morning". */
function weighed({ name, quantity: said, det, plural }: Phrase, prep: string, verb: string): number {
  if (assigningVerbs.has(verb) && (said || det === 'a')) return 2
  if (prep === 'by' && (det === 'a' || said) && person.test(name)) return 2
  if (said) return 1.2
  if (prep === 'by' || prep === 'to') return det === 'a' || plural ? 1 : 0.4
  return det === 'a' || plural ? 0.6 : 0.2
}

const quantity = ({ quantity: said, plural, det }: Phrase): Quantity =>
  said ?? (plural ? { least: undefined, most: 'several' } : { least: det === 'no' ? undefined : 1, most: 1 })

/** A tie with how it reads from either end; `says` begins at `from`. */
const saying = (told: Fact, from: string, says: TieWords): Fact =>
  told.kind === 'tie' && says.there ? { ...told, says: told.a === from ? says : turned(says) } : told

function tie(
  clause: Clause,
  subject: Phrase,
  a: string,
  phrase: Phrase,
  b: string,
  prep: string,
  context: Context,
): Fact {
  const doing = clause.doing!
  const { verb, may, not } = doing
  const at = context.at({ start: subject.start, end: phrase.end })
  const negative = subject.det === 'no' || not
  context.lastTie = { a, b }
  // "Up to eight pupils take part in a lesson": counted from the object.
  const counted = subject.quantity && (subject.quantity.most !== 1 || subject.plural)
  if (counted && (phrase.det || phrase.quantity?.most === 1))
    return { kind: 'tie', a: b, b: a, perA: quantity(subject), verb: makingVerbs.has(verb) ? verb : 'share', at }
  const said = quantity(phrase)
  const loose = subject.plural && !subject.quantity && !phrase.quantity && phrase.plural && subject.det !== 'each'
  // "Products are grouped into categories": each is in one; "the site is divided into plots": each plot is of one site.
  if (groupingVerbs.has(verb) && doing.passive && loose)
    return { kind: 'tie', a, b, perA: { least: 1, most: 1 }, verb, at }
  const act = doing.verb !== 'be' && !doing.passive && prep === ''
  if (act && phrase.det === 'a' && !phrase.quantity && !negative)
    return { kind: 'tie', a, b, perA: { least: undefined, most: undefined }, verb, at }
  const perA: Quantity =
    negative && said.figure ? { least: undefined, most: said.figure } : may ? { ...said, least: 0 } : said
  if (act && makingVerbs.has(verb) && loose) return { kind: 'tie', a: b, b: a, perA: { least: 1, most: 1 }, verb, at }
  if (phrase.det === 'no' || (not && !said.figure))
    return { kind: 'tie', a, b, perA: { least: 0, most: undefined }, verb, at }
  // "is written by several authors": they will have written others too.
  const shared = doing.passive && prep === 'by' && phrase.quantity?.most !== 1 && phrase.quantity !== undefined
  return { kind: 'tie', a, b, perA, ...(loose && { loose }), verb: shared ? 'share' : verb, at }
}

/** "takes place on a date", "is reported on a day", "costs an amount", "is from a start time to an end time". */
function factTold(
  clause: Clause,
  subject: Phrase,
  phrase: Phrase,
  prep: string,
  at: number,
  context: Context,
): Fact | undefined {
  const doing = clause.doing!
  const head = phrase.name.split(' ').at(-1)!
  if (doing.not || (phrase.plural && !phrase.det && prep !== '')) return undefined
  if (!attributeHeads.has(head)) {
    // "takes place at a venue": a place or person told on the way, with no facts of its own.
    const where = /^(at|in|by|with|from|about|for)$/.test(prep) && (phrase.det === 'a' || phrase.quantity?.most === 1)
    const settled = doing.verb === 'be' || doing.passive || placingVerbs.has(doing.verb)
    if (!where || !settled || !context.may(phrase.name) || subject.det === 'the') return undefined
  }
  if (
    /^(place|part|time|case|way)$/.test(phrase.name) &&
    (prep === '' ||
      (phrase.name === 'time' &&
        phrase.det === 'a' &&
        prep === 'at' &&
        !/^(take|be|begin|start|happen|hold|end)$/.test(doing.verb)))
  )
    return undefined
  const owner = context.lastOwner
  if (!owner) return undefined
  const date = /^(date|day|time)$/.test(phrase.name)
  const happened = date && doing.passive ? `${phrase.name} ${doing.form}` : undefined
  const end = date ? spanEnds[prep] : undefined
  const span = end && `${end} ${phrase.name}`
  const named = namedBy({
    phrase,
    lead: [],
    tail: clause.rest.slice(at + 1, at + 2).filter((one) => one.kind === 'aside'),
    asking: undefined,
    start: phrase.start,
    end: phrase.end,
  })
  if (!named) return undefined
  const name = span ?? happened ?? named.name
  const kind = named.kind ?? hintedKind(name)
  context.lastFact = { owner, name }
  return { kind: 'fact', owner, named: { ...named, name, ...(kind && { kind }) }, at: context.at(phrase) }
}
