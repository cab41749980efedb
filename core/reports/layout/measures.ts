import type { Letterhead, PaperName, Report } from '../../book'

const points = 72 / 25.4

/** Sheets of paper upright, in millimetres (ISO 216, and two that are common where that isn't used). */
const sheets: Readonly<Record<PaperName, { readonly title: string; readonly width: number; readonly height: number }>> =
  {
    a4: { title: 'A4', width: 210, height: 297 },
    a5: { title: 'A5', width: 148, height: 210 },
    letter: { title: 'Letter', width: 216, height: 279 },
    legal: { title: 'Legal', width: 216, height: 356 },
  }

/** What everything on a page is measured by, in points. */
export interface Measures {
  readonly page: { readonly width: number; readonly height: number }
  /** The part of it that is written on. */
  readonly frame: { readonly left: number; readonly top: number; readonly width: number; readonly bottom: number }
  readonly size: number
  /** From one line of a text to the next. */
  readonly lead: number
  /** Above and below what stands in a row. */
  readonly pad: number
  /** What the office has headings and lines printed in. */
  readonly colours?: Letterhead['colours']
}

/** The colour of headings, or of lines, where the office has one. */
export const coloured = (
  { colours }: Pick<Measures, 'colours'>,
  what: 'words' | 'lines',
): { readonly colour?: string } => {
  const colour = colours?.[what]
  return colour === undefined ? {} : { colour }
}

/** Smaller letters nobody reads without a glass. */
export const leastLetters = 6

const rooms = { tight: 0.14, usual: 0.32, wide: 0.6 } as const

export function measuresOf({ paper, letters, room }: Pick<Report, 'paper' | 'letters' | 'room'>): Measures {
  const sheet = typeof paper.size === 'string' ? sheets[paper.size] : paper.size
  const [w, h] = paper.turned ? [sheet.height, sheet.width] : [sheet.width, sheet.height]
  const [width, height] = [w * points, h * points]
  // However wide a margin is asked for, half of the paper is written on.
  const margin = Math.min(paper.margin * points, width / 4, height / 4)
  return {
    page: { width, height },
    frame: { left: margin, top: margin, width: width - 2 * margin, bottom: height - margin },
    size: letters,
    lead: letters * 1.32,
    pad: letters * rooms[room],
  }
}

/** "A4, upright", "180 × 240 mm, on its side". */
export function sayPaper({ size, turned }: Report['paper']): string {
  const name = typeof size === 'string' ? sheets[size].title : `${size.width} × ${size.height} mm`
  return `${name}, ${turned ? 'on its side' : 'upright'}`
}
