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
  const listed = paperColumns(reads.live.book, read, shown)
  const words = wordsOf(laying)
  return ofOneMoment(reads.db, async (transaction) => {
    const walk: ReportWalk = {
      reads: { ...reads, transaction },
      list,
      answers,
      read,
      shown,
      between: lettingGo(laying),
    }
    const crossed = await crossedOf(walk)
    // What is crossed is as wide as it is, and has no rows to fold.
    const look: Report = crossed ? { ...report, folded: undefined } : report
    const chart = await chartOf(walk, report)
    const said = { ...words, ...(chart && { chart }) }
    const { columns } = crossed ?? { columns: listed }
    const isAlone = chart !== undefined && report.chart === 'alone'
    const sample = crossed || isAlone ? [] : [...(await longestNumbers(walk))]
    const carrying = crossed ? undefined : carryingOf(reads.live.book, read, shown)
    const parts: PaperPart[] = []
    let full: Page[] = []
    let layer: ReportLayer | undefined
    const begin = () => {
      const one = new ReportLayer(columns, sample, look, said, (page) => full.push(page), carrying)
      parts.forEach((part) => one.part(part))
      onBegin(one.measures)
      return one
    }
    let rows = 0
    for await (const some of crossed ? [crossed.parts] : isAlone ? [] : reportParts(walk)) {
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
    const otherwise = (other: ReportLook) => layAgain(columns, sample, other, said, parts, carrying)
    const tried =
      parts.length < mostTried
        ? [...triedOtherwise(look, otherwise), ...(crossed ? [] : triedFolded(look, fitted, otherwise))]
        : []
    return { fitted: { ...fitted, lacking: fitted.lacking.filter((letter) => !hasShape(letter)) }, otherwise: tried }
  })
}

function layAgain(
  columns: ConstructorParameters<typeof ReportLayer>[0],
  sample: readonly (readonly string[])[],
  look: ReportLook,
  words: ReportWords,
  parts: readonly PaperPart[],
  carrying: Carrying | undefined,
): Omit<Otherwise, 'what'> {
  let pages = 0
  const layer = new ReportLayer(columns, sample, look, words, () => pages++, carrying)
  parts.forEach((part) => layer.part(part))
  layer.end()
  return { pages, fitted: layer.fitted }
}

type LayAgain = (look: ReportLook) => Omit<Otherwise, 'what'>

function triedOtherwise(report: Report, lay: LayAgain): Otherwise[] {
  const { turned, ...upright } = report.paper
  const paper = turned ? upright : { ...upright, turned: true as const }
  const smaller = report.letters - 1
  return [
    { what: 'turned', ...lay({ ...report, paper }) },
    ...(smaller >= leastLetters ? [{ what: 'smaller' as const, ...lay({ ...report, letters: smaller }) }] : []),
  ]
}

/** Two lines a row rather than pages side by side, and one line where that takes fewer pages. */
function triedFolded(report: Report, now: Fitted, lay: LayAgain): Otherwise[] {
  if (now.folded.lines > 1) return [{ what: 'unfolded', ...lay({ ...report, folded: undefined }) }]
  return now.beside > 1 && !report.folded ? [{ what: 'folded', ...lay({ ...report, folded: true }) }] : []
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
