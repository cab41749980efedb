import { cardSize, type MapCard } from './cards'
import type { Dependency } from './depends'
import { type Box, overlap, type Point } from './geometry'
import { textWidth } from './letters'

/** A dependency as a bow from the row that is read to the row that reads it, with a word on it. */
export interface Bow {
  readonly dependency: Dependency
  readonly path: string
  /** Where it ends, and which way it comes there. */
  readonly tip: Point & { readonly towards: 1 | -1 }
  readonly label?: { readonly text: string; readonly box: Box }
}

/** Bows for dependencies whose two fields are on the map, their words clear of cards, of each other and of what else to avoid. */
export function bowsOf(
  all: readonly Dependency[],
  cards: readonly MapCard[],
  boxes: ReadonlyMap<string, Box>,
  tableOf: (field: string) => string | undefined,
  avoid: readonly Box[] = [],
): Bow[] {
  const byId = new Map(cards.map((card) => [card.id, card]))
  const end = (field: string) => {
    const table = tableOf(field)
    const [card, box] = [byId.get(table ?? ''), boxes.get(table ?? '')]
    if (!card || !box) return undefined
    const row = card.rows.findIndex((one) => one.field === field)
    const y =
      row < 0 ? box.y + card.tab.height / 2 : box.y + card.tab.height + cardSize.padding + (row + 0.5) * cardSize.row
    return { box, y }
  }
  const taken: Box[] = [...avoid, ...boxes.values()]
  const worded = new Set<string>()
  return all.flatMap((dependency): Bow[] => {
    const [from, to] = [end(dependency.from), end(dependency.to)]
    if (!from || !to) return []
    const bow = bowBetween(from, to)
    // Within a card the stroke says it, and of several to one field from one table the first one says it for all.
    const bundle = `${dependency.kind} ${tableOf(dependency.from)} ${dependency.to}`
    const text = from.box === to.box || worded.has(bundle) ? '' : shortWord(dependency)
    worded.add(bundle)
    const width = textWidth(text, 11, 'bold') + 12
    const box = freeOf(taken, { x: bow.middle.x - width / 2, y: bow.middle.y - 9, width, height: 18 })
    if (!text) return [{ dependency, path: bow.path, tip: bow.tip }]
    taken.push(box)
    return [{ dependency, path: bow.path, tip: bow.tip, label: { text, box } }]
  })
}

/** What a rule says is told beside the map. */
const shortWord = ({ kind, words }: Dependency) => (kind === 'rule' ? 'rule' : words)

interface End {
  readonly box: Box
  readonly y: number
}

/** From one card's side to the other's, leaving level; round one side where the cards stand above each other. */
function bowBetween(from: End, to: End) {
  const leftOf = from.box.x + from.box.width < to.box.x
  const rightOf = to.box.x + to.box.width < from.box.x
  const outOf: 1 | -1 = rightOf ? -1 : 1
  const into: 1 | -1 = leftOf ? -1 : rightOf ? 1 : 1
  const start = { x: outOf === 1 ? from.box.x + from.box.width : from.box.x, y: from.y }
  const tip = { x: into === 1 ? to.box.x + to.box.width : to.box.x, y: to.y }
  const bend = Math.max(36, Math.min(160, Math.abs(tip.x - start.x) / 2 + Math.abs(tip.y - start.y) * 0.12))
  const [c1, c2] = [start.x + outOf * bend, tip.x + into * bend]
  return {
    path: `M${start.x} ${start.y} C${c1} ${start.y} ${c2} ${tip.y} ${tip.x} ${tip.y}`,
    tip: { ...tip, towards: -into as 1 | -1 },
    middle: { x: (start.x + 3 * c1 + 3 * c2 + tip.x) / 8, y: (start.y + tip.y) / 2 },
  }
}

function freeOf(taken: readonly Box[], wanted: Box): Box {
  for (let ring = 0; ring < 14; ring++)
    for (const [dx, dy] of [
      [0, 1],
      [0, -1],
      [1, 0],
      [-1, 0],
      [1, 1],
      [-1, -1],
    ] as const) {
      const box = { ...wanted, x: wanted.x + dx * ring * 10, y: wanted.y + dy * ring * 10 }
      if (!taken.some((other) => overlap(other, box))) return box
    }
  return wanted
}
