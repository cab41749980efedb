import { nth } from '../words'
import type { Letterhead, Picture, Report } from '../book'
import type { Drawing } from '../lists'
import { asPrinted, clipped, evenWidth, stretchesOf } from '../letters'
import { chartBlocks } from './charts/chart-blocks'
import { baseline, type Cell, type Drawn, wordsBlock } from './layout/blocks'
import { type ColumnFit, pagesBeside } from './layout/column-fit'
import { fitColumns } from './layout/fit-columns'
import { Flow } from './layout/flow'
import { headBlock } from './layout/part-blocks'
import { footLead, footLines, letterheadBlock, standsAtHead } from './layout/letterhead'
import { coloured, type Measures, measuresOf } from './layout/measures'
import type { Item, Page, PagePart } from './page'
import { Carried } from './layout/carried'
import type { Carrying, PaperColumn, PaperPart } from './table'

/** What a report says around its rows, in words. */
export interface ReportWords {
  readonly title: string
  /** The sentence that the list is, and what was answered to what it asks. */
  readonly asked: readonly string[]
  readonly opening?: string | undefined
  readonly closing?: string | undefined
  /** Whose book it is, and of which day: at the head of each page. */
  readonly book: string
  readonly day: string
  /** Who had it made, at the foot. */
  readonly who: string
  /** What stands at the head of the first page, the first line bold, and at the foot of all. */
  readonly letterhead?:
    | {
        readonly name?: string | undefined
        readonly lines: readonly string[]
        readonly foot?: string | undefined
        readonly logo?: Picture | undefined
        readonly colours?: Letterhead['colours']
      }
    | undefined
  /** What the list is shown as, drawn before its rows. */
  readonly chart?: Drawing | undefined
  /** Said in place of rows where there are none. */
  readonly none: string
}

export type ReportLook = Pick<
  Report,
  'paper' | 'letters' | 'rows' | 'room' | 'apart' | 'plain' | 'chart' | 'carried' | 'folded'
>

/** What came of making everything fit. */
export interface Fitted {
  /** What stands over its columns; none where its chart stands alone. */
  readonly headings: readonly string[]
  readonly rows: number
  /** Rows in which a column takes more than one line, by its place; those of none are left out. */
  readonly wrapped: Readonly<Record<number, number>>
  /** Numbers that are set smaller, as they are wider than their column. */
  readonly smaller: number
  /** Letters, some of them, whose widths are only guessed: the typefaces may have no shape for them. */
  readonly lacking: readonly string[]
  /** Pages that stand side by side, where columns are carried over. */
  readonly beside: number
  /** Lines in which each row stands; only one where more were wished means that the paper is too small. */
  readonly folded: { readonly lines: number; readonly isWished: boolean }
}

/** So many letters are named. */
const mostLacking = 12

/** Room at the head and the foot of each page, by the size of the letters. */
const headRoom = 2.6
const footRoom = 2.4
/** How much of a page the names of folded columns may take. */
const mostHead = 0.25

/**
 * Lays a report on pages as its parts come, one page given away as soon as it is full. Columns are as wide as the rows
 * that stand for all of them want; what is longer wraps, and nothing is cut off.
 */
export class ReportLayer {
  readonly fit: ColumnFit
  readonly measures: Measures
  private readonly flow: Flow
  private count = 0
  private readonly wrapped: Record<number, number> = {}
  private smaller = 0
  private readonly lacking = new Set<string>()

  private readonly columns: readonly PaperColumn[]

  constructor(
    listed: readonly PaperColumn[],
    sample: readonly (readonly string[])[],
    private readonly look: ReportLook,
    private readonly words: ReportWords,
    onPage: (page: Page) => void,
    carrying?: Carrying,
  ) {
    const measures = { ...measuresOf(look), colours: words.letterhead?.colours }
    const { frame, size } = measures
    this.measures = measures
    // Where its chart stands alone there are no columns, and so no pages beside for them.
    const columns = this.isChartAlone ? [] : listed
    this.columns = columns
    const top = frame.top + headRoom * size
    const bottom =
      frame.bottom - footRoom * size - (words.letterhead?.foot ? footLead(measures, words.letterhead.foot) : 0)
    const fitted = (folded: boolean) => fitColumns({ columns, rows: sample, room: frame.width, size, folded })
    const drawnBy = (fit: ColumnFit): Drawn => ({ columns, fit, measures, rows: look.rows })
    const folded = look.folded ? fitted(true) : undefined
    // On paper so small that its columns' names alone would fill it, they stand side by side.
    const isFolded = folded && headBlock(drawnBy(folded)).height < (bottom - top) * mostHead
    this.fit = isFolded ? folded : fitted(false)
    const drawn: Drawn = { ...drawnBy(this.fit), onRow: (cells) => this.told(cells) }
    const carried = carrying && look.carried ? new Carried(drawn, carrying) : undefined
    this.flow = new Flow({
      drawn,
      firstTop: frame.top,
      top,
      bottom,
      apart: look.apart === true,
      carried,
      onPage,
    })
    const drawnWords = words.chart ? [...words.chart.places, ...words.chart.series.map(({ name }) => name)] : []
    for (const said of [words.title, ...words.asked, words.opening, words.closing, ...drawnWords])
      this.noteLetters(asPrinted(said ?? ''))
    this.begin(drawn, bottom - top)
  }

  private begin(drawn: Drawn, room: number): void {
    const { size } = drawn.measures
    const { title, asked, opening, letterhead } = this.words
    if (standsAtHead(letterhead)) this.flow.words(letterheadBlock(drawn.measures, letterhead))
    const say = (of: PagePart, words: string, look: Parameters<typeof wordsBlock>[2]) =>
      this.flow.words({ ...wordsBlock(drawn, words, look), of })
    say('heading', title, {
      size: Math.max(15, size * 1.7),
      weight: 'bold',
      ...coloured(drawn.measures, 'words'),
      above: 0,
    })
    const small = { size: Math.max(7, size * 0.92), weight: 'regular', tone: 'grey', above: size * 0.3 } as const
    if (!this.look.plain) for (const words of asked) say('heading', words, small)
    if (opening) say('opening', opening, { size, weight: 'regular', above: size * 0.7 })
    const { chart } = this.words
    if (chart && this.look.chart !== 'none') for (const block of chartBlocks(drawn, chart, room)) this.flow.words(block)
    if (!this.isChartAlone) this.flow.columns()
  }

  /** Its records are in the chart, and nowhere else. */
  private get isChartAlone(): boolean {
    return this.words.chart !== undefined && this.look.chart === 'alone'
  }

  private told(cells: readonly (readonly Cell[])[]): void {
    const { size } = this.measures
    for (const [set, { columns }] of this.fit.sets.entries())
      for (const [at, cell] of (cells[set] ?? []).entries()) {
        const place = nth(columns, at)
        if (cell.size < size) this.smaller++
        cell.lines.forEach((line) => this.noteLetters(line))
        if (cell.lines.length > 1) this.wrapped[place] = (this.wrapped[place] ?? 0) + 1
      }
  }

  /** Notes letters that the table of widths doesn't have. */
  private noteLetters(line: string): void {
    if (this.lacking.size >= mostLacking || /^[\x20-\x7e]*$/.test(line)) return
    for (const { face, words } of stretchesOf(line, 1)) if (face === 'none' && words.trim()) this.lacking.add(words)
  }

  get fitted(): Fitted {
    return {
      headings: this.columns.map(({ heading }) => heading),
      lacking: [...this.lacking],
      rows: this.count,
      wrapped: this.wrapped,
      smaller: this.smaller,
      beside: pagesBeside(this.fit).length,
      folded: {
        lines: this.fit.isFolded ? this.fit.sets.length : 1,
        isWished: this.look.folded === true && this.columns.length > 1,
      },
    }
  }

  part(part: PaperPart): void {
    if (part.kind === 'row' && !part.goesOn) this.count++
    if (!this.isChartAlone) this.flow.part(part)
  }

  end(): void {
    if (this.count === 0 && !this.isChartAlone) this.flow.part({ kind: 'group', level: 2, words: this.words.none })
    this.flow.end(this.words.closing)
  }
}

/** What stands at the head and the foot of a page, when it is known how many there are. */
export function around(measures: Measures, words: ReportWords, at: number, pages: number | undefined): Item[] {
  const { frame, size } = measures
  const small = Math.max(6.5, size * 0.85)
  const lead = { size: small, lead: small * 1.32 }
  const text = (words: string, x: number, y: number): Item => ({ kind: 'text', x, y, size: small, tone: 'grey', words })
  // On narrow paper there is room for one of the two, or for a part of it.
  const beside = (left: string, wide: string, y: number): Item[] => {
    const right = clipped(wide, small, frame.width, 'regular', evenWidth)
    const room = frame.width - evenWidth(right, small) - size
    const words = room > 4 * small ? clipped(left, small, room, 'regular', evenWidth) : ''
    return [
      ...(words ? [text(words, frame.left, y)] : []),
      text(right, frame.left + frame.width - evenWidth(right, small), y),
    ]
  }
  const foot = frame.bottom - lead.lead + baseline(lead)
  const number = pages === undefined ? `Page ${at + 1}` : `Page ${at + 1} of ${pages}`
  const about = `${words.book} · ${words.day}`
  const head: Item[] =
    at === 0
      ? []
      : [
          ...beside(words.title, about, frame.top + baseline(lead)),
          {
            kind: 'line',
            x: frame.left,
            y: frame.top + lead.lead + 2,
            width: frame.width,
            thick: 0.4,
            tone: 'line',
            ...coloured(measures, 'lines'),
          },
        ]
  const who = at === 0 ? `${about} · ${words.who}` : words.who
  const under = words.letterhead?.foot ? footLines(measures, words.letterhead.foot) : []
  // The title stands whole on the first page.
  return [
    ...head,
    ...under,
    {
      kind: 'line',
      x: frame.left,
      y: foot - small - 3,
      width: frame.width,
      thick: 0.4,
      tone: 'line',
      ...coloured(measures, 'lines'),
    },
    ...beside(who, number, foot),
  ]
}
