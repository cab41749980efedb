import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { dropPart, putReport, setKeys } from '../build-steps'
import { findList, findReport } from '../find'
import { limits } from '../limits'
import { Report } from '../report'
import { type EditKind, Id, orNothing } from './edit-kind'
import { isTaken, tidied, typedName, typedWords } from './kept-parts'

const gone = fail({ kind: 'gone', what: 'report' })

const Typed = {
  name: typedName.optional(),
  opening: typedWords.optional(),
  closing: typedWords.optional(),
}

/** The words of a report tidied; a passage keeps its lines. */
function wordsOf({ name: typed, opening, closing }: Partial<Report>): Result<Partial<Report>> {
  const name = tidied(typed, limits.nameLength)
  if (!name.ok) return name
  const passages = [opening, closing].map((passage) =>
    passage
      ?.normalize('NFC')
      .replace(/[^\n\P{Cc}]|\p{Cf}/gu, ' ')
      .trim(),
  )
  const long = passages.find((passage) => (passage?.length ?? 0) > limits.describeLength)
  if (long) return fail({ kind: 'too-long', limit: limits.describeLength, length: long.length })
  const [first, last] = passages
  return ok({ name: name.value, opening: first ?? undefined, closing: last ?? undefined })
}

function nameTaken(book: Book, id: string, name: string | undefined) {
  const isTheirs = (one: Report) => one.id !== id && one.name?.toLowerCase() === name?.toLowerCase()
  return name !== undefined && book.reports.some(isTheirs)
    ? fail({ kind: 'name-taken', what: 'report', name })
    : ok(null)
}

const withoutBlanks = (parts: Partial<Report>) =>
  Object.fromEntries(Object.entries(parts).filter(([, value]) => value !== undefined && value !== ''))

const AddReport = z.strictObject({ kind: z.literal('addReport'), ...Report.shape, id: Id, ...Typed })

/** A report that is kept; it stands on a list that is. */
export const addReport: EditKind<z.infer<typeof AddReport>> = {
  schema: AddReport,
  steps(book, { kind: _kind, ...report }) {
    if (!findList(book, report.list)) return fail({ kind: 'gone', what: 'list' })
    if (isTaken(book, report.id)) return fail({ kind: 'stale', what: 'This report' })
    if (book.reports.length >= limits.reports) return fail({ kind: 'too-many', what: 'report', limit: limits.reports })
    const words = wordsOf(report)
    if (!words.ok) return words
    const free = nameTaken(book, report.id, words.value.name)
    if (!free.ok) return free
    const { name: _name, opening: _opening, closing: _closing, ...rest } = report
    return ok([putReport({ ...rest, ...withoutBlanks(words.value) })])
  },
  say: (_book, { name }) => (name ? `Keep the report ${name}` : 'Keep a report'),
}

const ChangeReport = z.strictObject({
  kind: z.literal('changeReport'),
  report: Id,
  /** As it is to be; what isn't in it is taken out. */
  to: z.strictObject({ ...Report.omit({ id: true, list: true }).shape, ...Typed }),
})

export const changeReport: EditKind<z.infer<typeof ChangeReport>> = {
  schema: ChangeReport,
  steps(book, { report: id, to }) {
    const report = findReport(book, id)
    if (!report) return gone
    const words = wordsOf(to)
    if (!words.ok) return words
    const free = nameTaken(book, id, words.value.name)
    if (!free.ok) return free
    const { name, opening, closing } = words.value
    const { paper, letters, rows, room, plain, apart, chart, carried, folded, without, order } = to
    return orNothing(
      setKeys(report, id, {
        name: name ?? undefined,
        opening: opening === '' ? undefined : opening,
        closing: closing === '' ? undefined : closing,
        paper,
        letters,
        rows,
        room,
        plain,
        apart,
        chart,
        carried,
        folded,
        without: without?.length ? without : undefined,
        order: order?.length ? order : undefined,
      }),
    )
  },
  say: (book, { report }) => `Change the report ${findReport(book, report)?.name ?? 'without a name'}`,
}

const RemoveReport = z.strictObject({ kind: z.literal('removeReport'), report: Id })

export const removeReport: EditKind<z.infer<typeof RemoveReport>> = {
  schema: RemoveReport,
  steps: (book, { report: id }) => (findReport(book, id) ? ok([dropPart(book, 'reports', id)]) : gone),
  say: (book, { report }) => `Remove the report ${findReport(book, report)?.name ?? 'without a name'}`,
}
