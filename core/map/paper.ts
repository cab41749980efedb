import type { Box } from './geometry'

/** Sheets of paper on their side, in millimetres (ISO 216, and two that are common where that isn't used). */
export const papers = {
  a4: { title: 'A4', width: 297, height: 210 },
  a3: { title: 'A3', width: 420, height: 297 },
  a2: { title: 'A2', width: 594, height: 420 },
  a1: { title: 'A1', width: 841, height: 594 },
  letter: { title: 'Letter', width: 279, height: 216 },
  tabloid: { title: 'Tabloid', width: 432, height: 279 },
} as const
export type PaperName = keyof typeof papers

export interface PaperWish {
  readonly paper: PaperName
  readonly upright: boolean
  /** All on one page, or on as many as it takes to read it. */
  readonly pages: 'one' | 'readable'
}

export interface PaperPage {
  readonly column: number
  readonly row: number
  /** The part of the map that it shows, in map units. */
  readonly view: Box
}

export interface PaperPlan {
  /** Of one page, in millimetres. */
  readonly width: number
  readonly height: number
  readonly margin: number
  readonly columns: number
  readonly rows: number
  readonly pages: readonly PaperPage[]
  /** How high the smallest lettering comes out, in points. */
  readonly smallest: number
  /** How much two pages share, in map units. */
  readonly shared: number
}

const margin = 10
const sharedMillimetres = 10
/** The smallest letters on the map, in map units. */
const smallestLetter = 11
/** Below this nobody reads lettering without a glass, in points. */
export const readable = 7
const pointsPerMillimetre = 72 / 25.4
/** A map unit is a pixel, and nothing is printed larger than that. */
const largest = 25.4 / 96
const mostPages = 12

/** How a map comes to stand on paper. */
export function planPaper(whole: Box, { paper, upright, pages }: PaperWish): PaperPlan {
  const sheet = papers[paper]
  const [width, height] = upright ? [sheet.height, sheet.width] : [sheet.width, sheet.height]
  const [across, down] = [width - 2 * margin, height - 2 * margin]
  const fitting = Math.min(across / whole.width, down / whole.height, largest)
  const needed = readable / smallestLetter / pointsPerMillimetre
  if (pages === 'one' || fitting >= needed) return planned(whole, fitting, 1, 1)
  // As few pages as there can be, and the lettering then as large as they allow.
  const count = (length: number, room: number) =>
    Math.min(mostPages, Math.max(1, Math.ceil((length * needed - sharedMillimetres) / (room - sharedMillimetres))))
  const [columns, rows] = [count(whole.width, across), count(whole.height, down)]
  const room = (one: number, many: number) => one * many - sharedMillimetres * (many - 1)
  const scale = Math.min(room(across, columns) / whole.width, room(down, rows) / whole.height, largest)
  return planned(whole, scale, columns, rows)

  function planned(box: Box, scale: number, columns: number, rows: number): PaperPlan {
    const shared = sharedMillimetres / scale
    const [w, h] = [across / scale, down / scale]
    const spare = {
      x: columns * w - (columns - 1) * shared - box.width,
      y: rows * h - (rows - 1) * shared - box.height,
    }
    return {
      width,
      height,
      margin,
      columns,
      rows,
      shared,
      smallest: smallestLetter * scale * pointsPerMillimetre,
      pages: Array.from({ length: columns * rows }, (_, at) => {
        const [column, row] = [at % columns, Math.floor(at / columns)]
        return {
          column,
          row,
          view: {
            x: box.x - spare.x / 2 + column * (w - shared),
            y: box.y - spare.y / 2 + row * (h - shared),
            width: w,
            height: h,
          },
        }
      }),
    }
  }
}
