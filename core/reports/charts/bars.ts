import { asPrinted, evenWidth, wrap } from '../../letters'
import type { Drawing } from '../../lists'
import { nth } from '../../words'
import { baseline, type Block, type Drawn } from '../layout/blocks'
import type { Item } from '../page'
import { shadeAt } from './legend'

/** A bar, or a stack of them, in a line of its own. */
interface Bar {
  readonly parts: readonly { readonly value: number; readonly shade: number }[]
  readonly words: string
}

interface Room {
  /** Where names stand, bars begin, and numbers end. */
  readonly label: number
  readonly bars: { readonly from: number; readonly width: number }
  readonly end: number
  readonly valueSize: number
}

/** Bars on their side, each place a row of them. */
export function barBlocks(drawn: Drawn, drawing: Drawing): Block[] {
  const { measures } = drawn
  const { size } = measures
  const all = drawing.places.map((_, at) => barsAt(drawing, at))
  const words = all.flat().map((bar) => bar.words)
  const room = roomFor(drawn, drawing.places, words)
  const values = all
    .flat()
    .flatMap(({ parts }) => [
      parts.reduce((sum, { value }) => sum + Math.max(0, value), 0),
      parts.reduce((sum, { value }) => sum + Math.min(0, value), 0),
    ])
  const [least, most] = [Math.min(0, ...values), Math.max(0, ...values)]
  const scale = most > least ? room.bars.width / (most - least) : 0
  const zero = room.bars.from - least * scale
  return drawing.places.map((place, at) => {
    const lines = wrap(asPrinted(place), room.label, size, 'regular')
    return rowBlock(drawn, { lines, bars: nth(all, at), room, scale, zero, isFirst: at === 0 })
  })
}

/** The bars of one place: one, a stack, or one for each series. */
function barsAt({ kind, series, write }: Drawing, at: number): readonly Bar[] {
  const told = series.map(({ values }, shade) => ({ value: values[at] ?? null, shade }))
  const isStack = kind === 'stacked' && told.every(({ value }) => (value ?? 0) >= 0)
  if (isStack) {
    const parts = told.flatMap(({ value, shade }) => (value === null ? [] : [{ value, shade }]))
    return [{ parts, words: parts.length > 0 ? write(parts.reduce((sum, { value }) => sum + value, 0)) : '' }]
  }
  const whole = (series[0]?.values ?? []).reduce<number>((sum, value) => sum + (value ?? 0), 0)
  return told.map(({ value, shade }) => {
    if (value === null) return { parts: [], words: '' }
    const share = kind === 'shares' && whole > 0 ? ` · ${Math.round((value / whole) * 1000) / 10}%` : ''
    return { parts: [{ value, shade }], words: write(value) + share }
  })
}

/** How much of the width names, bars and numbers have; numbers that are wider than a third of it are set smaller. */
function roomFor({ measures: { frame, size } }: Drawn, places: readonly string[], words: readonly string[]): Room {
  const gap = size * 0.8
  const widest = (some: readonly string[]) => Math.max(0, ...some.map((one) => evenWidth(asPrinted(one), size)))
  const natural = widest(words)
  const value = Math.min(natural, frame.width * 0.33)
  const label = Math.max(size, Math.min(widest(places) + 0.1, frame.width * 0.36))
  const from = frame.left + label + gap
  return {
    label,
    bars: { from, width: Math.max(1, frame.left + frame.width - value - gap - from) },
    end: frame.left + frame.width,
    valueSize: natural > value ? (size * value) / natural : size,
  }
}

interface Row {
  readonly lines: readonly string[]
  readonly bars: readonly Bar[]
  readonly room: Room
  readonly scale: number
  readonly zero: number
  readonly isFirst: boolean
}

function rowBlock({ measures }: Drawn, { lines, bars, room, scale, zero, isFirst }: Row): Block {
  const { frame, size, lead } = measures
  const high = Math.max(lines.length, bars.length)
  const pad = size * 0.25
  return {
    kind: 'words',
    height: high * lead + 2 * pad,
    above: isFirst ? size * 0.5 : 0,
    keeps: false,
    part: undefined,
    lines: high,
    draw(set, top, from = 0, until = high) {
      if (set > 0) return []
      const y = top + pad
      const label = lines.slice(from, until).map((words, at): Item => ({
        kind: 'text',
        x: frame.left,
        y: y + at * lead + baseline(measures),
        size,
        words,
      }))
      const drawn = bars.slice(from, until).flatMap((bar, at): Item[] => {
        const own = y + at * lead
        const { items } = bar.parts.reduce<{ items: Item[]; x: number }>(
          ({ items, x }, { value, shade }) => {
            const width = Math.abs(value) * scale
            const left = value < 0 ? zero - width : x
            const item = { kind: 'tint', x: left, y: own + lead * 0.14, width, height: lead * 0.72 } as const
            return { items: [...items, { ...item, tone: shadeAt(shade) }], x: x + Math.max(0, value * scale) }
          },
          { items: [], x: zero },
        )
        const words = asPrinted(bar.words)
        const x = room.end - evenWidth(words, room.valueSize)
        const value: Item[] = words
          ? [{ kind: 'text', x, y: own + baseline(measures), size: room.valueSize, words }]
          : []
        return [...items, ...value]
      })
      return [...drawn, ...label]
    },
  }
}
