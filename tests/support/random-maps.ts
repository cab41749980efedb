import { seeded } from '@/core/map/stress'
import type { LinkLine, MapCard } from '@/core/map'

/**
 * A made-up map of so many cards and lines, like a firm's: areas of a dozen and a half tables that are tied among
 * themselves, and a few tables that many areas lead to.
 */
export function madeUpMap(count: number, ties: number, seed = 7): { cards: MapCard[]; lines: LinkLine[] } {
  const random = seeded(seed)
  const roll = (sides: number) => Math.floor(random() * sides)
  const cards = Array.from({ length: count }, (_, at): MapCard => {
    const rows = 3 + roll(12)
    return {
      id: `t${at}`,
      title: `Table ${at}`,
      role: undefined,
      rows: Array.from({ length: rows }, (_, row) => ({
        id: `f${at}-${row}`,
        field: `f${at}-${row}`,
        text: `Field ${row}`,
        detail: '',
        key: row === 0,
        link: false,
        derived: false,
      })),
      width: 150 + 10 * roll(10),
      height: 50 + 20 * rows,
      tab: { width: 90, height: 30 },
    }
  })
  const areas = Math.max(1, Math.round(count / 15))
  const hubs = Math.max(1, Math.round(count / 30))
  const lines = Array.from({ length: ties }, (_, at): LinkLine => {
    const many = at < count - 1 ? at + 1 : roll(count)
    const inArea = Math.floor((count - 1 - (many % areas)) / areas) + 1
    const near = (many % areas) + areas * roll(inArea)
    const one = roll(100) < 88 ? near : roll(100) < 70 ? roll(hubs) : roll(count)
    return {
      id: `l${at}`,
      one: `t${one}`,
      many: `t${many}`,
      label: at % 2 === 0 ? '' : 'is part of',
      back: at % 3 === 0 ? 'has' : '',
      atOne: 'exactly-one',
      atMany: 'none-or-more',
    }
  })
  return { cards, lines }
}
