import type { Doing, Element } from './elements'
import type { Context } from './context'
import type { Fact } from './facts'
import { type Item, choicesIn, isSeveral, itemsOf, namedBy, wordsOf } from './items'
import type { Phrase } from './phrases'
import type { Quantity } from '../knowledge/quantities'

const quantityOf = (phrase: Phrase, doing: Doing | undefined): Quantity => {
  const base: Quantity =
    phrase.quantity ?? (phrase.plural ? { least: undefined, most: 'several' } : { least: 1, most: 1 })
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
  const [own, together] = cutAtWith(elements)
  const facts: Fact[] = []
  for (const item of itemsOf(own)) facts.push(...readItem(item, owner, context, doing, subject))
  if (together.length > 0 && context.lastTie)
    facts.push(...readPairList(together, context.lastTie.a, context.lastTie.b, context))
  else if (together.length > 0)
    facts.push(...itemsOf(together).flatMap((item) => readItem(item, owner, context, undefined, undefined)))
  return facts
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
  const { phrase } = item
  const at = context.at(item)
  if (phrase && !item.asking) {
    const other = context.of(phrase)
    const self = other === owner
    if (other && !self && !(phrase.of && context.of(phrase.of) === owner && phrase.name !== other)) {
      const negative = doing && (doing.not || subject?.det === 'no')
      const quantity = quantityOf(phrase, doing && { ...doing, not: negative ?? false })
      context.lastTie = { a: owner, b: other }
      const facts: Fact[] = [{ kind: 'tie', a: owner, b: other, perA: quantity, verb: 'have', at }]
      const aside = item.tail.find((element) => element.kind === 'aside')
      const choices = aside?.kind === 'aside' ? choicesIn(aside.inside) : undefined
      return choices
        ? [...facts, { kind: 'fact', owner: other, named: { name: 'name', kind: 'pick', choices }, at }]
        : facts
    }
    const weight = phrase.quantity && !self && context.may(phrase.name) ? 1 : 0
    const facts: Fact[] = weight ? context.thingFact(phrase, weight) : []
    if (doing?.not || subject?.det === 'no') return facts
    const named = namedBy(item)
    if (!named || /^(more|most|thing|place)$/.test(named.name)) return facts
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

/** A list of facts about two things together. */
export function readPairList(elements: readonly Element[], a: string, b: string, context: Context): Fact[] {
  return itemsOf(elements).flatMap((item): Fact[] => {
    const named = namedBy(item)
    if (!named || /^(each|one|them)$/.test(named.name)) return []
    const name = named.name.replace(/^how /, '')
    if (wordsOf(item) === '') return []
    return [{ kind: 'pairFact', a, b, named: { ...named, name }, at: context.at(item) }]
  })
}
