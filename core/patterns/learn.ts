import { type Block, type Pattern } from './pattern'
import { hasShape } from './fit'

export interface Learned {
  readonly pattern: Pattern
  /** The places of the samples that don't fit it. */
  readonly misfits: readonly number[]
}

/** A sample cut at what is neither letter nor digit: pieces, and what stands between them. */
interface Cut {
  readonly pieces: readonly string[]
  readonly between: readonly string[]
}

function cut(sample: string): Cut {
  const parts = sample.split(/([^\p{L}0-9]+)/u)
  return { pieces: parts.filter((_, at) => at % 2 === 0), between: parts.filter((_, at) => at % 2 === 1) }
}

const runsOf = (piece: string) => piece.match(/\p{L}+|[0-9]+/gu) ?? []
const isDigits = (run: string) => /^[0-9]/.test(run)

/**
 * Learns the pattern of some values: what stands in all of them is fixed, the rest varies. Most samples decide;
 * a tail that some of them lack is optional; the others are misfits. Undefined where there is nothing to learn from.
 */
export function learnPattern(samples: readonly string[]): Learned | undefined {
  const cuts = samples.map((sample) => cut(sample.trim().normalize('NFC')))
  const usable = cuts.filter(({ pieces }) => pieces.join('') !== '')
  if (usable.length === 0) return undefined
  const sames = new Map<string, Cut[]>()
  for (const one of usable) {
    const name = JSON.stringify(one.between)
    sames.set(name, [...(sames.get(name) ?? []), one])
  }
  const base = [...sames.values()].reduce((best, group) => (group.length > best.length ? group : best))
  const { between } = base[0]!
  // Samples that stop short of the base's tail, or go on after it, where there are enough of them to be meant.
  const enough = Math.max(1, Math.ceil(usable.length / 10))
  const kin = [...sames.values()].filter(
    (group) => group !== base && group.length >= enough && isKin(group[0]!.between, between),
  )
  const longestOf = [base, ...kin].reduce((best, group) =>
    group[0]!.between.length > best[0]!.between.length ? group : best,
  )
  const shortest = Math.min(...[base, ...kin].map((group) => group[0]!.between.length))
  const whole = longestOf[0]!.between
  const all = [base, ...kin].flat()
  const blocks = Array.from({ length: whole.length + 1 }, (_, at) => {
    const pieces = all.flatMap((one) => (at < one.pieces.length ? [one.pieces[at]!] : []))
    const own = blocksOf(pieces)
    const lead: Block[] = at === 0 ? [] : [{ kind: 'fixed', text: whole[at - 1]! }]
    const optional = at > shortest
    return [...lead, ...own].map((block): Block => (optional ? { ...block, optional: true } : block))
  }).flat()
  const pattern: Pattern = { blocks: joinFixed(blocks).slice(0, 24) }
  if (pattern.blocks.length === 0) return undefined
  const misfits = samples.flatMap((sample, at) => (hasShape(pattern, sample.trim().normalize('NFC')) ? [] : [at]))
  return { pattern, misfits }
}

const isKin = (a: readonly string[], b: readonly string[]) => {
  const [short, long] = a.length < b.length ? [a, b] : [b, a]
  return short.length < long.length && short.every((text, at) => text === long[at])
}

/** The blocks of one piece that several samples have in their own way. */
function blocksOf(all: readonly string[]): Block[] {
  const pieces = all.filter((piece) => piece !== '')
  if (pieces.length === 0) return []
  const runs = pieces.map(runsOf)
  const shape = (one: readonly string[]) => one.map((run) => (isDigits(run) ? 'd' : 'l')).join('')
  const alike = runs.every((one) => shape(one) === shape(runs[0]!))
  if (!alike) return [varying('either', pieces)]
  return runs[0]!.map((first, at): Block => {
    const own = runs.map((one) => one[at]!)
    // Letters that never change are part of the shape; figures that happen to be the same may go on.
    if (!isDigits(first) && own.length > 1 && own.every((run) => run === first))
      return { kind: 'fixed', text: first.slice(0, 20) }
    return varying(isDigits(first) ? 'digits' : 'letters', own)
  })
}

function varying(kind: 'digits' | 'letters' | 'either', texts: readonly string[]): Block {
  const lengths = texts.map((text) => [...text].length)
  const cap = (length: number) => Math.min(40, Math.max(1, length))
  const letters = texts.join('').replace(/[^\p{L}]/gu, '')
  const casing =
    kind === 'digits' || letters === ''
      ? undefined
      : letters === letters.toUpperCase()
        ? 'upper'
        : letters === letters.toLowerCase()
          ? 'lower'
          : undefined
  return { kind, least: cap(Math.min(...lengths)), most: cap(Math.max(...lengths)), ...(casing && { case: casing }) }
}

/** Fixed parts that stand side by side are one. */
function joinFixed(blocks: readonly Block[]): Block[] {
  const joined: Block[] = []
  for (const block of blocks) {
    const last = joined.at(-1)
    if (
      last?.kind === 'fixed' &&
      block.kind === 'fixed' &&
      last.optional === block.optional &&
      last.text.length + block.text.length <= 20
    )
      joined[joined.length - 1] = { ...last, text: last.text + block.text }
    else joined.push(block)
  }
  return joined
}
