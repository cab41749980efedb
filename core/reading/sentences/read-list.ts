import type { Doing, Element } from '../words/elements'
import type { Context } from '../facts/context'
import type { Fact } from '../facts/facts'
import { type Item, choicesIn, isSeveral, itemsOf, namedBy, wordsOf } from '../facts/items'
import { rowNouns } from '../knowledge/frames'
import { singular } from '../../words'
import type { Phrase } from '../words/phrases'
import type { Quantity } from '../knowledge/quantities'

const quantityOf = (phrase: Phrase, doing: Doing | undefined): Quantity => {
  const base: Quantity =
    phrase.quantity ?? (phrase.plural ? { least: undefined, most: 'several' } : { least: 1, most: 1 })
  if (phrase.det === 'no') return { least: 0, most: 1 }
  if (doing?.not && base.figure) return { least: undefined, most: base.figure }
  return doing?.may ? { ...base, least: 0 } : base
}

/** A list of what something has: facts, and things that hang on it. */
export function readList(
  elements: readonly Element[],
  owner: string,
  context: Context,
  doing?: Doing,
  subject?: Phrase,
): Fact[] {
  const rows = rowsIn(elements)
  if (rows) return readRows(rows, owner, context, doing, subject)
  const [own, together] = cutAtWith(elements)
  const facts: Fact[] = []
  for (const item of itemsOf(own)) facts.push(...readItem(item, owner, context, doing, subject))
  const tie = facts.findLast((fact) => fact.kind === 'tie')
  const single = itemsOf(own).length === 1 ? itemsOf(own)[0]?.phrase : undefined
  if (together.length > 0 && single?.det === 'a' && !single.of?.quantity && doing) {
    // "gets an invoice with a number and a date": they are the invoice's.
    const other = context.of(single) ?? single.name
    if (context.may(single.name)) facts.push(...context.thingFact(single, itemsOf(together).length > 1 ? 2 : 1))
    if (tie || !context.of(single))
      facts.push(...itemsOf(together).flatMap((item) => readItem(item, other, context, undefined, undefined)))
  } else if (together.length > 0 && context.lastTie)
    facts.push(...readPairList(together, context.lastTie.a, context.lastTie.b, context))
  else if (together.length > 0)
    facts.push(...itemsOf(together).flatMap((item) => readItem(item, owner, context, undefined, undefined)))
  return facts
}

interface Rows {
  readonly phrase: Phrase
  /** The list without them. */
  readonly others: readonly Element[]
  /** What each of them has. */
  readonly each: readonly Element[]
}

/** "… and its lines, each with a part and a price": rows that belong to their owner alone. */
function rowsIn(elements: readonly Element[]): Rows | undefined {
  const each = elements.findIndex((element, at) => {
    const next = elements[at + 1]
    return element.kind === 'pronoun' && element.word === 'each' && next?.kind === 'prep' && next.word === 'with'
  })
  const before = elements
    .slice(0, Math.max(each, 0))
    .filter((element) => element.kind !== 'joint' || element.word !== ',')
  const rows = before.at(-1)
  if (rows?.kind !== 'thing' || !rows.phrase.plural || !rowNouns.has(rows.phrase.name)) return undefined
  const at = elements.indexOf(rows)
  return { phrase: rows.phrase, others: elements.slice(0, at), each: elements.slice(each + 2) }
}

function readRows(
  { phrase, others, each }: Rows,
  owner: string,
  context: Context,
  doing: Doing | undefined,
  subject: Phrase | undefined,
): Fact[] {
  const name = `${owner} ${phrase.name}`
  const at = context.at(phrase)
  const facts = readList(others, owner, context, doing, subject)
  context.lastTie = { a: owner, b: name }
  return [
    ...facts,
    { kind: 'thing', name, weight: 3, sure: true, rowsOf: owner, at },
    {
      kind: 'tie',
      a: owner,
      b: name,
      perA: phrase.quantity ?? { least: undefined, most: 'several' },
      verb: 'have',
      at,
    },
    { kind: 'tie', a: name, b: owner, perA: { least: 1, most: 1 }, verb: 'have', at },
    ...readList(each, name, context),
  ]
}

/** "… with the quantity of each": what comes after is about the tie. */
function cutAtWith(elements: readonly Element[]): [readonly Element[], readonly Element[]] {
  const at = elements.findIndex((element, i) => i > 0 && element.kind === 'prep' && element.word === 'with')
  return at < 0 ? [elements, []] : [elements.slice(0, at), elements.slice(at + 1)]
}

function readItem(
  item: Item,
  owner: string,
  context: Context,
  doing: Doing | undefined,
  subject: Phrase | undefined,
): Fact[] {
  const { phrase } = countedThing(item, context)
  const at = context.at(item)
  if (phrase && !item.asking) {
    const other = context.of(phrase)
    const self = other === owner
    if (other && !self && !(phrase.of && context.of(phrase.of) === owner && phrase.name !== other)) {
      const negative = doing && (doing.not || subject?.det === 'no')
      // "an invoice per quarter" is several as time goes by.
      const again = item.tail.some((element) => element.kind === 'prep' && /^(per|every)$/.test(element.word))
      const told = again
        ? { ...phrase, det: undefined, quantity: { least: undefined, most: 'several' as const } }
        : phrase
      const quantity = quantityOf(told, doing && { ...doing, not: negative ?? false })
      context.lastTie = { a: owner, b: other }
      const facts: Fact[] = [{ kind: 'tie', a: owner, b: other, perA: quantity, verb: 'have', at }]
      // "Each job gets an invoice": one for one, unless other words say otherwise.
      if (doing && /^(get|receive)$/.test(doing.verb) && phrase.det === 'a' && !again)
        facts.push({ kind: 'tie', a: other, b: owner, perA: { least: 1, most: 1 }, verb: doing.verb, at })
      const aside = item.tail.find((element) => element.kind === 'aside')
      const choices = aside?.kind === 'aside' ? choicesIn(aside.inside) : undefined
      return choices
        ? [...facts, { kind: 'fact', owner: other, named: { name: 'name', kind: 'choice', choices }, at }]
        : facts
    }
    const of = phrase.of && context.of(phrase.of)
    // "holds seeds of one variety": the tie is to what they are of.
    if (!other && of && of !== owner && phrase.of?.quantity) {
      context.lastTie = { a: owner, b: of }
      return [{ kind: 'tie', a: owner, b: of, perA: quantityOf(phrase.of, doing), verb: 'be', at }]
    }
    const weight = phrase.quantity && !self && context.may(phrase.name) ? 1 : 0
    const facts: Fact[] = weight ? context.thingFact(phrase, weight) : []
    // "a recipe of several materials" speaks for materials.
    if (phrase.of?.quantity?.most === 'several') facts.push(...context.thingFact(phrase.of, 1.2))
    if (doing?.not || subject?.det === 'no') return facts
    const named = namedBy(item)
    if (!named || /^(more|most|things?|places?|ones?|following)$/.test(named.name)) return facts
    context.lastFact = { owner, name: named.name }
    return [
      ...facts,
      { kind: 'fact', owner, named: { ...named, several: isSeveral(phrase), ...(doing?.must && { must: true }) }, at },
    ]
  }
  const named = namedBy(item)
  if (!named) return []
  // "which pony they rode" links to a thing.
  const linked = item.asking && context.thing(named.name)
  if (linked && linked !== owner && !named.kind)
    return [{ kind: 'tie', a: owner, b: linked, perA: { least: 1, most: 1 }, verb: 'have', at }]
  context.lastFact = { owner, name: named.name }
  return [{ kind: 'fact', owner, named, at }]
}

/** "a number of tasks" counts where tasks are things of their own, and is a fact where they are not. */
function countedThing(item: Item, context: Context): Item {
  const { phrase } = item
  const counted = phrase && /^number of (.+)$/.exec(phrase.name)?.[1]
  const thing = counted && phrase.det === 'a' ? context.thing(singular(counted)) : undefined
  return thing && phrase
    ? { ...item, phrase: { ...phrase, name: thing, det: undefined, quantity: { least: undefined, most: 'several' } } }
    : item
}

/** A list of facts about two things together. */
export function readPairList(elements: readonly Element[], a: string, b: string, context: Context): Fact[] {
  return itemsOf(elements).flatMap((item): Fact[] => {
    const named = namedBy(item)
    if (!named || /^(each|one|them)$/.test(named.name)) return []
    // "several parts, with how many": how many of them.
    const howMany = item.asking === 'how' && named.kind === 'whole' && named.name === 'number'
    const name = howMany ? 'quantity' : named.name.replace(/^how /, '')
    if (wordsOf(item) === '' && !howMany) return []
    return [{ kind: 'pairFact', a, b, named: { ...named, name }, at: context.at(item) }]
  })
}
