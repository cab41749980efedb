import type { Clause } from './clauses'
import type { Context } from '../facts/context'
import type { Element } from '../words/elements'
import type { Fact } from '../facts/facts'
import { itemsOf, placeOf, wordsOf } from '../facts/items'
import type { Phrase } from '../words/phrases'
import { readDoing } from './read-doing'

/** "A visit is booked, done or cancelled", "is at one premises", "is taught by one tutor". */
export function readBeing(clause: Clause, subject: Phrase, context: Context): Fact[] {
  const doing = clause.doing!
  const name = context.of(subject) ?? subject.name
  const first = clause.rest[0]
  if (isChoice(clause)) return choices(clause, subject, name, context)
  if (
    doing.verb === 'be' &&
    first?.kind === 'thing' &&
    subject.det === 'each' &&
    !first.phrase.of &&
    context.of(first.phrase)
  ) {
    const as = context.of(first.phrase)!
    if (as !== name && first.phrase.det === 'a')
      return [...context.thingFact(first.phrase, 1), { kind: 'same', name: subject.name, as, at: context.at(subject) }]
  }
  const as = doing.verb === 'be' && !doing.not && clause.rest.length === 1 ? roleOf(subject, first, context) : undefined
  if (as) return [{ kind: 'same', name: subject.name, as, at: context.at(subject) }]
  const sample = doing.verb === 'be' ? sampleOf(subject, first, context) : undefined
  if (sample)
    return [
      ...context.thingFact(subject, 1.2),
      ...context.thingFact(sample, 1.2),
      {
        kind: 'tie',
        a: name,
        b: context.of(sample) ?? sample.name,
        perA: { least: 1, most: 1 },
        verb: 'be',
        at: context.at(sample),
      },
      ...readDoing({ ...clause, rest: clause.rest.slice(1) }, subject, context),
    ]
  // "may be owner, tenant or agent of several premises": a part that somebody plays.
  const role = roleIn(clause.rest)
  if (doing.verb === 'be' && role) {
    const other = context.of(role.of)
    const facts = [...context.thingFact(subject, 1.2), ...context.thingFact(role.of, 1.2)]
    if (!other || other === name) return facts
    context.lastTie = { a: name, b: other }
    const at = context.at(placeOf(clause.rest[0]!))
    return [
      ...facts,
      { kind: 'tie', a: name, b: other, perA: role.of.quantity ?? { least: 0, most: 'several' }, verb: 'be', at },
      ...(role.words.length > 1
        ? [
            {
              kind: 'pairFact',
              a: name,
              b: other,
              named: { name: 'role', kind: 'choice', choices: role.words },
              at,
            } as const,
          ]
        : []),
    ]
  }
  return readDoing(clause, subject, context)
}

/** "A skipper is a crew member", "is a member of our crew": another name for the part that some of them play. */
function roleOf(subject: Phrase, first: Element | undefined, context: Context): string | undefined {
  if (first?.kind !== 'thing' || context.of(subject) || subject.of) return undefined
  const { phrase } = first
  const both = (subject.det === 'a' && phrase.det === 'a') || (subject.plural && phrase.plural && !subject.det)
  if (!both) return undefined
  return phrase.of ? context.thing(`${phrase.of.core} ${phrase.core.split(' of ')[0]!}`) : context.of(phrase)
}

/** "An accession is a sample of one species": one of what it is said to be of. */
function sampleOf(subject: Phrase, first: Element | undefined, context: Context): Phrase | undefined {
  if (first?.kind !== 'thing' || first.phrase.det !== 'a' || !first.phrase.of || subject.of) return undefined
  const { of } = first.phrase
  const one = of.quantity?.most === 1 || of.det === 'a'
  return one && context.of(of) && context.of(of) !== context.of(subject) ? of : undefined
}

function roleIn(rest: readonly Element[]): { words: string[]; of: Phrase } | undefined {
  const items = itemsOf(rest)
  const last = items.at(-1)?.phrase
  if (!last?.of || items.length < 2) return undefined
  if (!last.of.quantity && !last.of.plural) return undefined
  return { words: items.map((item) => item.phrase?.name ?? wordsOf(item)), of: last.of }
}

/** Two words or more joined by "or", none of them a thing that is kept. */
export function isChoice({ doing, rest }: Clause): boolean {
  const joined = rest.some((element) => element.kind === 'joint' && element.word === 'or')
  if (!joined || doing!.not) return false
  const first = rest[0]
  const loose = doing!.passive || /ing$/.test(doing!.form)
  if (first?.kind === 'prep' && !/^(in|on|under|at|out)$/.test(first.word) && !loose) return false
  if (first?.kind === 'prep' && /^(between|for|to|from|with|at|of)$/.test(first.word)) return false
  const items = itemsOf(rest)
  return items.every((item) => {
    const words = wordsOf(item)
    return words.split(' ').length <= 4 && !item.phrase?.quantity && !item.phrase?.of
  })
}

function choices(clause: Clause, subject: Phrase, name: string, context: Context): Fact[] {
  const doing = clause.doing!
  const at = context.at({ start: subject.start, end: placeOf(clause.rest.at(-1)!).end })
  const items = itemsOf(clause.rest).map((item) => wordsOf(item))
  // "paid in parts, by card or cash": the choices begin with the first "by".
  const by = items.findIndex((item) => item.startsWith('by '))
  const told = by < 0 ? items : items.slice(by)
  const words = [
    ...(doing.verb !== 'be' && by < 0 ? [doing.form] : []),
    ...told.map((item) => item.replace(/^by /, '')),
  ]
    .map((word) => word.replace(/^be /, ''))
    .filter(Boolean)
  const last = context.lastFact
  // "their level, which is beginner or improver": the choices of the fact just named.
  if (last && (last.name === subject.name || last.name.endsWith(` ${subject.name}`)) && !context.of(subject))
    return [{ kind: 'fact', owner: last.owner, named: { name: last.name, kind: 'choice', choices: words }, at }]
  if (!context.of(subject) && !context.may(subject.name)) {
    const owner = subject.of ? context.of(subject.of) : subject.owner ? context.thing(subject.owner) : context.lastOwner
    return owner ? [{ kind: 'fact', owner, named: { name: subject.name, kind: 'choice', choices: words }, at }] : []
  }
  const things = itemsOf(clause.rest).filter((item) => item.phrase?.det === 'a').length
  const paid = doing.verb === 'pay' || clause.rest.some((element) => element.kind === 'prep' && element.word === 'by')
  const kinds = doing.verb === 'be' && itemsOf(clause.rest).every((item) => item.phrase && item.lead.length === 0)
  const called = things > 1 || kinds ? 'type' : paid ? 'way of paying' : 'state'
  return [
    ...context.thingFact(subject, 1.5),
    { kind: 'fact', owner: name, named: { name: called, kind: 'choice', choices: words }, at },
  ]
}
