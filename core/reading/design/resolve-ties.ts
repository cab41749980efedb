import type { Evidence, ReadTie } from '../../needs'
import type { Fact, Named } from '../facts/facts'
import { happenings, sharingVerbs } from '../knowledge/frames'
import { type Pair, pairsIn } from './ties'
import { turned } from '../facts/tie-words'

/** "the quantity of each treatment" belongs to the one tie that treatments share with others. */
export function placed(facts: readonly Fact[]): Fact[] {
  const pairs = pairsIn(facts)
  return facts.flatMap((fact): Fact[] => {
    if (fact.kind !== 'pairFact' || fact.b !== '*') return [fact]
    const shared = pairs.filter((pair) => (pair.a === fact.a || pair.b === fact.a) && tieOf(pair).kind === 'n-n')
    if (shared.length !== 1) return []
    return [{ ...fact, a: shared[0]!.a, b: shared[0]!.b }]
  })
}

export interface Through {
  readonly pairs: readonly Pair[]
  /** Facts about two things that are facts of what happened between them. */
  readonly facts: readonly { readonly owner: string; readonly named: Named; readonly at: Evidence }[]
}

/**
 * A tie told by a verb ("members borrow tools") goes through the table of what happened ("for each loan …")
 * where there is one: each of the two then has several of it.
 */
export function throughHappenings(pairs: readonly Pair[], things: ReadonlySet<string>): Through {
  const out: Pair[] = []
  const facts: { owner: string; named: Named; at: Evidence }[] = []
  const has = (a: string, b: string) =>
    pairs.some((pair) => (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a))
  for (const pair of pairs) {
    const happened = pair.verbs
      .flatMap((verb) => (Object.hasOwn(happenings, verb) ? happenings[verb]! : []))
      .find((noun) => things.has(noun) && noun !== pair.a && noun !== pair.b)
    if (!happened) {
      out.push(pair)
      continue
    }
    for (const [one, side] of [
      [pair.a, pair.perA],
      [pair.b, pair.perB],
    ] as const) {
      if (has(one, happened)) continue
      out.push({
        a: one,
        b: happened,
        perA: { several: true, loose: false, least: 0, limit: side.limit },
        perB: { several: false, loose: false, least: 1, limit: undefined },
        verbs: pair.verbs,
        facts: [],
        evidence: pair.evidence,
      })
    }
    // What was noted about the two was noted when it happened.
    for (const { named, at } of pair.facts) facts.push({ owner: happened, named, at })
  }
  return { pairs: out, facts }
}

/** Settles a pair from what was said of either side; what one side leaves open is guessed, and asked. */
export function tieOf(pair: Pair): ReadTie {
  const tie = settledTie(pair)
  if (!pair.says || tie.kind === 'n-n') return tie
  return { ...tie, says: tie.from === pair.a ? pair.says : turned(pair.says) }
}

function settledTie(pair: Pair): ReadTie {
  const { a, b, perA, perB, evidence } = pair
  const base = { fields: [], verb: pair.verbs[0] ?? 'have', evidence }
  const limit = perA.limit
    ? { most: perA.limit, per: a, of: b }
    : perB.limit
      ? { most: perB.limit, per: b, of: a }
      : undefined
  const limited = limit && { limit }
  const onlyLoose = (perA.loose || perA.several === undefined) && (perB.loose || perB.several === undefined)
  if (perA.several && (perB.several || (onlyLoose && perB.several === undefined && perA.loose)))
    return { from: a, to: b, kind: 'n-n', must: perA.least === 1, least: perA.least === 1, ...limited, ...base }
  // One side was told alone: what only gathers or uses others shares them, what owns or makes them doesn't.
  if (perA.several && perB.several === undefined && sharing(pair))
    return { from: a, to: b, kind: 'n-n', must: perA.least === 1, least: perA.least === 1, ...limited, ...base }
  if (perB.several && perA.several === undefined && sharing(pair))
    return { from: b, to: a, kind: 'n-n', must: perB.least === 1, least: perB.least === 1, ...limited, ...base }
  if (perA.several)
    return { from: a, to: b, kind: '1-n', must: perB.least !== 0, least: perA.least === 1, ...limited, ...base }
  if (perB.several)
    return { from: b, to: a, kind: '1-n', must: perA.least !== 0, least: perB.least === 1, ...limited, ...base }
  if (perA.several === undefined && perB.several === undefined && sharing(pair))
    return { from: a, to: b, kind: 'n-n', must: false, least: false, ...base }
  if (perA.several === false && perB.several === false)
    return { from: a, to: b, kind: '1-1', must: perB.least !== 0, least: perA.least === 1, ...base }
  // Only one side was told: one a has one b, so one b may have several a.
  if (perA.several === false) return { from: b, to: a, kind: '1-n', must: perA.least === 1, least: false, ...base }
  return { from: a, to: b, kind: '1-n', must: perB.least === 1, least: false, ...base }
}

const sharing = ({ facts, verbs }: Pair) => facts.length > 0 || verbs.some((verb) => sharingVerbs.has(verb))
