import type { Letterhead, List, Report } from '@/core/book'
import { type Answers, conditionsOf, readList, sayDays, sayList } from '@/core/lists'
import {
  around,
  type Carrying,
  carryingOf,
  type Fitted,
  leastLetters,
  type Measures,
  type Page,
  type PaperColumn,
  paperColumns,
  type PaperPart,
  ReportLayer,
  type ReportLook,
  reportName,
  type ReportWords,
  shownIn,
} from '@/core/reports'
import { displayOf } from '@/core/expressions'
import { findField } from '@/core/book'
import { showDay, showValue } from '@/core/kinds'
import { inSentence, plural } from '@/core/words'
import { ofOneMoment } from '../database'
import { hasShape } from '../papers'
import { picturesFor } from './pictures'
import { chartOf, crossedOf } from './shown-groups'
import { lettingGo, type OnPages, type Work } from './work'
import { longestNumbers, type Reads, reportParts, type ReportWalk } from '../live'

/** What a report is laid of. */
export interface Laying {
  readonly reads: Reads
  readonly list: List
  readonly report: Report
  readonly answers: Answers
  /** What records are called that were answered, by what asked for them. */
  readonly called?: Readonly<Record<string, string>> | undefined
  /** What stands on everything that the office prints. */
  readonly letterhead?: Letterhead | undefined
  /** Whether the book is being opened: tables that are read wait for nobody, but changes of them wait for who reads. */
  readonly isOpening?: (() => Promise<boolean>) | undefined
  /** Who asked for it. */
  readonly who: string
}

const letterheadOf = (letterhead: Letterhead | undefined): ReportWords['letterhead'] =>
  letterhead && {
    name: letterhead.name,
    lines: letterhead.lines?.split('\n') ?? [],
    foot: letterhead.foot,
    logo: letterhead.logo,
    colours: letterhead.colours,
  }

/** How the same would come out otherwise. */
export interface Otherwise {
  readonly what: 'turned' | 'smaller' | 'folded' | 'unfolded'
  readonly pages: number
  readonly fitted: Fitted
}

export interface Laid {
  readonly fitted: Fitted
  readonly otherwise: readonly Otherwise[]
}

/** So many rows tell how wide columns are. */
const sampled = 400
/** Of so many parts at the most it is tried how they would come out otherwise. */
const mostTried = 6000

/** What a report says around its rows. */
export function wordsOf({ reads: { live }, list, report, answers, called, letterhead, who }: Laying): ReportWords {
  const { book } = live
  const seen = { ...book, lists: answers.lists ?? [] }
  const answered = list.asks.flatMap((ask) => {
    const field = findField(book, ask.place.field)?.field
    const answer = answers.given[ask.id] ?? ask.start ?? ''
    if (!field || !answer) return []
    const face = displayOf(book, field)
    const isDay = face.kind === 'date' || face.kind === 'dateTime'
    const today = answers.now.moment.slice(0, 10)
    const said = isDay
      ? sayDays(answer, today, book.look)
      : field.kind === 'link'
        ? (called?.[ask.id] ?? answer)
        : showValue(answer, face, book.look)
    return said ? [`${ask.words}: ${said}`] : []
  })
  const noun = inSentence(book.tables.find(({ id }) => id === list.table)?.name ?? '')
  return {
    title: reportName(seen, report, list),
    asked: [sayList(seen, { ...list, shown: undefined }), ...answered],
    opening: report.opening,
    closing: report.closing,
    book: book.name,
    letterhead: letterheadOf(letterhead),
    day: showDay(answers.now.moment.slice(0, 10), book.look),
    who: `Made for ${who}`,
    none: conditionsOf(list).length > 0 ? `No ${noun} is like that.` : `There are no ${plural(noun)} yet.`,
  }
}

/** Lays a report on pages, all of its records as they are at one moment; pages are given away as they are full. */
export async function layReport(
  laying: Laying,
  onBegin: (measures: Measures) => void,
  onPages: OnPages,
): Promise<Laid> {
  const { reads, list, report, answers } = laying
  const found = readList(reads.live.book, list, answers)
  if (!('read' in found)) throw new Error('A report was asked of a list that cannot be read.')
  const { read } = found
  const shown = shownIn(read, report)
  return ofOneMoment(reads.db, async (transaction) => {
    const between = lettingGo(laying)
    const whole = await wholeOf(laying, { reads: { ...reads, transaction }, list, answers, read, shown, between })
    const { sample } = whole
    const parts: PaperPart[] = []
    let full: Page[] = []
    let layer: ReportLayer | undefined
    const begin = () => {
      const one = layerOf(whole, whole.look, (page) => full.push(page))
      parts.forEach((part) => one.part(part))
      onBegin(one.measures)
      return one
    }
    let rows = 0
    for await (const some of whole.parts) {
      if (parts.length < mostTried) parts.push(...some)
      if (layer) some.forEach((part) => layer!.part(part))
      else {
        const cells = some.flatMap((part) => (part.kind === 'group' ? [] : [part.cells]))
        sample.push(...cells)
        rows += cells.length
        if (rows >= sampled) layer = begin()
      }
      await onPages(full)
      full = []
    }
    layer ??= begin()
    layer.end()
    await onPages(full)
    const { fitted } = layer
    const otherwise = parts.length < mostTried ? triedOtherwise(whole, fitted, parts) : []
    return { fitted: { ...fitted, lacking: fitted.lacking.filter((letter) => !hasShape(letter)) }, otherwise }
  })
}

/** All that a report is laid of. */
interface Whole {
  readonly look: Report
  readonly said: ReportWords
  readonly columns: readonly PaperColumn[]
  /** Rows that tell how wide columns are. */
  readonly sample: (readonly string[])[]
  readonly carrying: Carrying | undefined
  readonly parts: AsyncIterable<readonly PaperPart[]> | Iterable<readonly PaperPart[]>
  /** What is crossed is as wide as it is, and has no rows to fold. */
  readonly isCrossed: boolean
}

async function wholeOf(laying: Laying, walk: ReportWalk): Promise<Whole> {
  const { report } = laying
  const { book } = laying.reads.live
  const chart = await chartOf(walk, report)
  const said = { ...wordsOf(laying), ...(chart && { chart }) }
  const crossed = await crossedOf(walk)
  if (crossed) {
    const { columns, parts } = crossed
    const look = { ...report, folded: undefined }
    return { look, said, columns, sample: [], carrying: undefined, parts: [parts], isCrossed: true }
  }
  const isAlone = chart !== undefined && report.chart === 'alone'
  return {
    look: report,
    said,
    columns: paperColumns(book, walk.read, walk.shown),
    sample: isAlone ? [] : [...(await longestNumbers(walk))],
    carrying: carryingOf(book, walk.read, walk.shown),
    parts: isAlone ? [] : reportParts(walk),
    isCrossed: false,
  }
}

const layerOf = ({ columns, sample, said, carrying }: Whole, look: ReportLook, onPage: (page: Page) => void) =>
  new ReportLayer(columns, sample, look, said, onPage, carrying)

/** The same parts in another look, of up to a few thousand. */
function triedOtherwise(whole: Whole, now: Fitted, parts: readonly PaperPart[]): Otherwise[] {
  const { look, isCrossed } = whole
  const { turned, ...upright } = look.paper
  const other = (what: Otherwise['what'], more: Partial<ReportLook>): Otherwise => {
    let pages = 0
    const layer = layerOf(whole, { ...look, ...more }, () => pages++)
    parts.forEach((part) => layer.part(part))
    layer.end()
    return { what, pages, fitted: layer.fitted }
  }
  const smaller = look.letters - 1
  const isFolded = now.folded.lines > 1
  return [
    other('turned', { paper: turned ? upright : { ...upright, turned: true } }),
    ...(smaller >= leastLetters ? [other('smaller', { letters: smaller })] : []),
    ...(isFolded ? [other('unfolded', { folded: undefined })] : []),
    // Two lines a row rather than pages side by side.
    ...(!isFolded && !isCrossed && now.beside > 1 && !look.folded ? [other('folded', { folded: true })] : []),
  ]
}

/** A report as what is laid. */
export function reportWork(laying: Laying): Work<Laid> {
  const words = wordsOf(laying)
  return {
    title: words.title,
    book: laying.reads.live.book.name,
    isOpening: laying.isOpening,
    pictures: () => picturesFor(laying.reads.db, laying.letterhead),
    lay: (onBegin, onPages) => layReport(laying, onBegin, onPages),
    around: (measures, at, pages) => around(measures, words, at, pages),
  }
}
