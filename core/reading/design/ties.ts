import { type TieWords, turned } from '../facts/tie-words'
import type { Quantity } from '../knowledge/quantities'
import type { Fact, Named } from '../facts/facts'
import type { Evidence } from '../../needs'

type TieFact = Extract<Fact, { kind: 'tie' }>

/** What all sentences together say about one pair of things. */
export interface Pair {
  readonly a: string
  readonly b: string
  /** What one `a` has of `b`. */
  readonly perA: Side
  readonly perB: Side
  readonly verbs: readonly string[]
  /** How it reads from `a` to `b` and back. */
  readonly says?: TieWords
  readonly facts: readonly {
    readonly named: Named
    readonly limit?: { readonly most: number; readonly per: string }
    readonly at: Evidence
  }[]
  readonly evidence: readonly Evidence[]
}

interface Side {
  readonly several: boolean | undefined
  readonly loose: boolean
  readonly least: 0 | 1 | undefined
  readonly limit: number | undefined
}

const pairKey = (a: string, b: string) => [a, b].sort().join('\n')

/** Gathers ties by pair, whichever way round they were told. */
export function pairsIn(facts: readonly Fact[]): Pair[] {
  const ties = new Map<string, TieFact[]>()
  for (const fact of facts) {
    if (fact.kind !== 'tie') continue
    const key = pairKey(fact.a, fact.b)
    ties.set(key, [...(ties.get(key) ?? []), fact])
  }
  const byPair = new Map<string, Pair['facts'][number][]>()
  for (const fact of facts) {
    if (fact.kind !== 'pairFact') continue
    const { named, limit, at } = fact
    const key = pairKey(fact.a, fact.b)
    byPair.set(key, [...(byPair.get(key) ?? []), { named, ...(limit !== undefined && { limit }), at }])
  }
  return [...ties.values()].map((told) => {
    const { a, b } = told[0]!
    const self = a === b
    const pairFacts = byPair.get(pairKey(a, b)) ?? []
    return {
      a,
      b,
      perA: sideOf(told.filter((tie) => tie.a === a)),
      perB: self
        ? { several: true, loose: false, least: 0, limit: undefined }
        : sideOf(told.filter((tie) => tie.a === b)),
      verbs: [...new Set(told.map((tie) => tie.verb))],
      ...(!self && saysOf(told, a)),
      facts: pairFacts,
      evidence: told.map((tie) => tie.at),
    }
  })
}

/** How two things are said to be tied, each way as it was said first. */
function saysOf(told: readonly TieFact[], a: string): { says?: TieWords } {
  const said = told.flatMap((tie) => (tie.says ? [tie.a === a ? tie.says : turned(tie.says)] : []))
  const there = said.find((one) => one.there)?.there
  const back = said.find((one) => one.back)?.back
  return there || back ? { says: { ...(there && { there }), ...(back && { back }) } } : {}
}

/** Sentences may say the same in other words; the one that says more counts. */
function sideOf(ties: readonly TieFact[]): Side {
  const strong = ties.filter((tie) => !tie.loose)
  const said = (strong.length > 0 ? strong : ties).map((tie) => tie.perA)
  const severals = said.filter(isSeveral)
  const limits = said.flatMap((quantity) =>
    typeof quantity.most === 'number' && quantity.most > 1 ? [quantity.most] : [],
  )
  const leasts = said.flatMap((quantity) => (quantity.least === undefined ? [] : [quantity.least]))
  return {
    several:
      said.length === 0 || said.every((quantity) => quantity.most === undefined) ? undefined : severals.length > 0,
    loose: strong.length === 0 && ties.length > 0,
    least: leasts.length === 0 ? undefined : leasts.includes(0) ? 0 : 1,
    limit: limits.length > 0 ? Math.min(...limits) : undefined,
  }
}

const isSeveral = ({ most }: Quantity) => most === 'several' || (typeof most === 'number' && most > 1)
