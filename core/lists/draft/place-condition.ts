import { type Condition, conditionsIn, limits, type List } from '../../book'
import { fail, ok, type Result } from '../../words'
import { conditionsOf, jointOf } from '../say/say-list'
import type { Said } from './compare-draft'

/**
 * A list's conditions with one put in the place of another, or at the end; without what it had there where none is
 * given. What is too much is told before anything is kept.
 */
export function placed(
  list: List,
  at: number | undefined,
  said: Said | undefined,
): Result<Pick<List, 'where' | 'asks'>> {
  const before = conditionsOf(list)
  const others = at === undefined ? before : before.toSpliced(at, 1)
  const of = said ? others.toSpliced(at ?? before.length, 0, said.condition) : others
  const where: Condition | undefined = of.length > 0 ? { kind: of.length > 1 ? jointOf(list) : 'all', of } : undefined
  const asks = asksIn(where, [...list.asks, ...(said?.asks ?? [])])
  if (where && conditionsIn(where).length > limits.conditions)
    return fail({ kind: 'list-full', what: 'conditions', most: limits.conditions })
  if (asks.length > limits.asks) return fail({ kind: 'list-full', what: 'questions', most: limits.asks })
  return ok({ where, asks })
}

/** What is asked for that nothing asks any more goes; what is left is told apart by its words. */
function asksIn(where: Condition | undefined, asks: List['asks']): List['asks'] {
  const text = JSON.stringify(where ?? null)
  const taken = new Set<string>()
  return asks
    .filter(({ id }) => text.includes(JSON.stringify({ ask: id })))
    .map((ask) => {
      let words = ask.words
      for (let count = 2; taken.has(words.toLowerCase()); count++) words = `${ask.words} ${count}`
      taken.add(words.toLowerCase())
      return words === ask.words ? ask : { ...ask, words }
    })
}
