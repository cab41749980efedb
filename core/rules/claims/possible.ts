import { type Claim, nought } from './branches'

/** What is known of a fact beforehand. */
export interface Known {
  readonly least?: bigint
  readonly most?: bigint
  /** The words of a choice field, in small letters. */
  readonly words?: readonly string[]
  /** It is always filled. */
  readonly must: boolean
}

/**
 * Whether claims can all be so at once. Amounts are difference constraints: they can be met exactly where the
 * graph of `plus − minus ≤ most` has no circle whose sum is below nought (Bellman and Ford; CLRS, ch. 24.4).
 */
export function isPossible(claims: readonly Claim[], known: (fact: string) => Known): boolean {
  const facts = new Set(
    claims.flatMap((claim) =>
      claim.kind === 'atMost' ? [claim.plus, claim.minus].filter((fact) => fact !== nought) : [claim.fact],
    ),
  )
  const blanks = new Set(claims.flatMap((claim) => (claim.kind === 'blank' ? [claim.fact] : [])))
  for (const claim of claims) {
    if (claim.kind === 'blank') continue
    const told = claim.kind === 'atMost' ? [claim.plus, claim.minus] : [claim.fact]
    if (told.some((fact) => blanks.has(fact))) return false
  }
  if ([...blanks].some((fact) => known(fact).must)) return false
  return [...facts].every((fact) => hasWord(fact, claims, known(fact).words)) && canBeMet(claims, facts, known)
}

function hasWord(fact: string, claims: readonly Claim[], words: readonly string[] | undefined): boolean {
  let left = words && new Set(words)
  for (const claim of claims)
    if (claim.kind === 'among' && claim.fact === fact)
      left = new Set(claim.words.filter((word) => !left || left.has(word)))
  for (const claim of claims)
    if (claim.kind === 'notAmong' && claim.fact === fact && left)
      left = new Set([...left].filter((word) => !claim.words.includes(word)))
  return !left || left.size > 0
}

function canBeMet(claims: readonly Claim[], facts: ReadonlySet<string>, known: (fact: string) => Known): boolean {
  const arrows: { readonly from: string; readonly to: string; readonly most: bigint }[] = []
  for (const claim of claims)
    if (claim.kind === 'atMost') arrows.push({ from: claim.minus, to: claim.plus, most: claim.most })
  if (arrows.length === 0) return true
  for (const fact of facts) {
    const { least, most } = known(fact)
    if (most !== undefined) arrows.push({ from: nought, to: fact, most })
    if (least !== undefined) arrows.push({ from: fact, to: nought, most: -least })
  }
  const away = new Map<string, bigint>([nought, ...facts].map((fact) => [fact, 0n]))
  for (let round = 0; round <= facts.size + 1; round++) {
    let changed = false
    for (const { from, to, most } of arrows) {
      const next = away.get(from)! + most
      if (next >= away.get(to)!) continue
      away.set(to, next)
      changed = true
    }
    if (!changed) return true
  }
  return false
}
