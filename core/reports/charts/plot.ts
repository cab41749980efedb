import { asPrinted, evenWidth } from '../../letters'
import type { Drawing } from '../../lists'
import { baseline, type Block, type Drawn } from '../layout/blocks'
import type { Measures } from '../layout/measures'
import type { Item } from '../page'
import { dashAt, shadeAt } from './legend'

/** How high lines and points are drawn, in points, where the page has room for it; and the least, by the size of letters. */
const usualHeight = 210
const leastHeight = 6

/** So many numbers stand along an axis at the most. */
const mostTicks = 6

/** Round numbers from nought, or beneath it, up to the greatest: 0, 50, 100, 150. */
export function ticksOf(values: readonly number[]): readonly number[] {
  const least = Math.min(0, ...values)
  const most = Math.max(0, ...values)
  if (most === least) return [0, 1]
  const rough = (most - least) / (mostTicks - 1)
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = ([1, 2, 2.5, 5].find((one) => one * power >= rough - power * 1e-9) ?? 10) * power
  const whole = values.every(Number.isInteger) ? Math.max(1, Math.round(step)) : step
  const from = Math.floor(least / whole + 1e-9)
  const until = Math.ceil(most / whole - 1e-9)
  return Array.from({ length: until - from + 1 }, (_, at) => Number(((from + at) * whole).toPrecision(12)))
}

/**
 * Lines from place to place, or points, between two axes.
 * @param room how high a page is within what stands around it, in points; undefined is given back where that is too little
 */
export function plotBlock({ measures }: Drawn, drawing: Drawing, room: number): Block | undefined {
  const { size } = measures
  const height = Math.min(usualHeight, room)
  if (height < size * leastHeight) return undefined
  return {
    kind: 'words',
    height,
    above: size * 0.6,
    keeps: false,
    part: undefined,
    lines: 1,
    draw: (set, y) => (set > 0 ? [] : drawPlot(measures, drawing, y, height)),
  }
}

const told = (values: readonly (number | null)[]): number[] => values.filter((one) => one !== null)

function drawPlot(measures: Measures, drawing: Drawing, top: number, height: number): Item[] {
  const { frame, size } = measures
  const small = Math.max(6, size * 0.88)
  const upTicks = ticksOf(drawing.series.flatMap(({ values }) => told(values)))
  const upWords = upTicks.map((value) => asPrinted(drawing.write(value)))
  // Numbers that are wider than a third of the paper are set smaller.
  const natural = Math.max(...upWords.map((words) => evenWidth(words, small)))
  const axis = Math.min(natural, frame.width / 3)
  const own = natural > axis ? (small * axis) / natural : small
  const left = frame.left + axis + size * 0.6
  const box = {
    left,
    edge: frame.left,
    width: frame.left + frame.width - left,
    top: top + small,
    bottom: top + height - small * 2,
  }
  const [least = 0, most = 1] = [upTicks[0], upTicks.at(-1)]
  const up = (value: number) => box.bottom - ((value - least) / (most - least)) * (box.bottom - box.top)
  // On low paper not every line has its number.
  const apart = (box.bottom - box.top) / Math.max(1, upTicks.length - 1)
  const every = Math.max(1, Math.ceil((own * 1.2) / apart))
  const grid = upTicks.flatMap((value, at): Item[] => {
    const words = at % every === 0 ? (upWords[at] ?? '') : ''
    const y = up(value)
    return [
      {
        kind: 'line',
        x: box.left,
        y,
        width: box.width,
        thick: value === 0 ? 0.8 : 0.4,
        tone: value === 0 ? 'grey' : 'line',
      },
      ...(words
        ? [
            {
              kind: 'text' as const,
              x: frame.left + axis - evenWidth(words, own),
              y: y + own * 0.32,
              size: own,
              tone: 'grey' as const,
              words,
            },
          ]
        : []),
    ]
  })
  const foot = { y: box.bottom + small * 0.3 + baseline({ size: small, lead: small * 1.32 }), size: small }
  return drawing.kind === 'scatter'
    ? [...grid, ...points(drawing, box, up, foot)]
    : [...grid, ...lines(drawing, box, up, foot)]
}

interface Box {
  readonly left: number
  /** How far to the left names may reach. */
  readonly edge: number
  readonly width: number
}

interface Foot {
  readonly y: number
  readonly size: number
}

function lines({ places, series }: Drawing, box: Box, up: (value: number) => number, foot: Foot): Item[] {
  const step = places.length > 1 ? box.width / places.length : box.width
  const x = (at: number) => box.left + (at + 0.5) * step
  const drawn = series.flatMap(({ values }, shade): Item[] => {
    // A gap where nothing is known: no line is drawn across it, and what stands alone is a point.
    const runs: [number, number][][] = [[]]
    for (const [at, value] of values.entries())
      if (value === null) runs.push([])
      else runs.at(-1)?.push([x(at), up(value)])
    const tone = shadeAt(shade)
    const dash = dashAt(shade)
    return runs.flatMap((run): Item[] => {
      const [only] = run
      if (!only) return []
      if (run.length === 1) return [{ kind: 'tint', x: only[0] - 1.5, y: only[1] - 1.5, width: 3, height: 3, tone }]
      return [{ kind: 'path', points: run, thick: 1.4, tone, ...(dash && { dash }) }]
    })
  })
  return [...drawn, ...footWords(places, x, box, foot)]
}

/** As many names along the foot as there is room for, evenly; the first is always there. */
function footWords(places: readonly string[], x: (at: number) => number, box: Box, { y, size }: Foot): Item[] {
  const words = places.map(asPrinted)
  const widest = Math.max(...words.map((one) => evenWidth(one, size)), 1) + size
  const every = Math.max(1, Math.ceil((widest * places.length) / box.width))
  // At either end a name is moved within the box, and may meet its neighbour there.
  let free = box.edge
  return words.flatMap((one, at): Item[] => {
    const width = evenWidth(one, size)
    if (at % every > 0 || !one || width > box.width) return []
    const left = Math.min(Math.max(box.edge, x(at) - width / 2), box.left + box.width - width)
    if (left < free) return []
    free = left + width + size * 0.6
    return [{ kind: 'text', x: left, y, size, tone: 'grey', words: one }]
  })
}

function points(drawing: Drawing, box: Box, up: (value: number) => number, foot: Foot): Item[] {
  const { series, across = [], writeAcross = String } = drawing
  const ticks = ticksOf(told(across))
  const [least = 0, most = 1] = [ticks[0], ticks.at(-1)]
  const inner = { ...box, width: box.width - 3 }
  const x = (value: number) => inner.left + ((value - least) / (most - least)) * inner.width
  const dots = across.flatMap((value, at): Item[] => {
    const own = series[0]?.values[at] ?? null
    if (value === null || own === null) return []
    return [{ kind: 'tint', x: x(value), y: up(own) - 1.5, width: 3, height: 3, tone: shadeAt(0) }]
  })
  return [...dots, ...footWords(ticks.map(writeAcross), (at) => x(ticks[at] ?? 0), box, foot)]
}
