import { type Book, type Edit, findList, findReport, type List, type Report } from '@/core/book'
import { fail, ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { editBook, type Saved, type Seen } from './edit-book'
import { listsFor } from './kept-lists'
import { findBook } from './shelf'

/** The reports that somebody may see: those of lists that they may. */
export function reportsFor(book: Book, accountId: string): readonly Report[] {
  const seen = new Set(listsFor(book, accountId).map(({ id }) => id))
  return book.reports.filter(({ list }) => seen.has(list))
}

export interface KeepingReport {
  readonly report: Report
  /** As it was when changing it began, where it was kept before. */
  readonly before?: Report | undefined
}

/** Keeps a report, new or changed; a change that somebody else made to it meanwhile is not written over. */
export async function keepReport(
  db: Catalogue,
  bookId: string,
  accountId: string,
  { report, before }: KeepingReport,
): Promise<Result<Saved>> {
  const list = await visibleList(db, bookId, accountId, report.list)
  if (!list.ok) return list
  if (!before) return editBook(db, bookId, accountId, { kind: 'addReport', ...report }, [])
  const kept = await visible(db, bookId, accountId, report.id)
  if (!kept.ok) return kept
  const { id, list: _list, ...to } = report
  const edit: Edit = { kind: 'changeReport', report: id, to }
  return editBook(db, bookId, accountId, edit, seenIn(before))
}

export async function dropReport(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<Saved>> {
  const kept = await visible(db, bookId, accountId, id)
  return kept.ok ? editBook(db, bookId, accountId, { kind: 'removeReport', report: id }, []) : kept
}

/** A report of somebody else's own list looks as if it weren't there. */
async function visible(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<Report>> {
  const stored = await findBook(db, bookId)
  const report = stored && findReport(stored.book, id)
  const isSeen = report && reportsFor(stored.book, accountId).some((one) => one.id === id)
  return isSeen ? ok(report) : fail({ kind: 'gone', what: 'report' })
}

async function visibleList(db: Catalogue, bookId: string, accountId: string, id: string): Promise<Result<List>> {
  const stored = await findBook(db, bookId)
  const list = stored && findList(stored.book, id)
  const isSeen = list && listsFor(stored.book, accountId).some((one) => one.id === id)
  return isSeen ? ok(list) : fail({ kind: 'gone', what: 'list' })
}

const parts = ['name', 'opening', 'closing', 'paper', 'letters', 'rows', 'room', 'plain', 'apart', 'without'] as const

const seenIn = (before: Report): Seen => parts.map((key) => ({ id: before.id, key, from: before[key] ?? null }))
