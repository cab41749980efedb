import { createHash } from 'node:crypto'
import type { Letterhead, Template } from '@/core/book'
import { runningPeriod, writeRunning } from '@/core/kinds'
import { documentMeasures, layDocument, type Page, readTemplate, type Said } from '@/core/reports'
import { fail, ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { ofOneMoment, run, select, transact, type Transaction } from '../database'
import { roomProblem } from '../disk-room'
import { newId } from '../ids'
import { codeFor, ReportPdf, type Sheet } from '../papers'
import { fillDocuments } from './fill-documents'
import { picturesFor } from './pictures'
import { refsOf, together, type Writings } from './lay-documents'

/** So many are handed out together at the most. */
export const mostHandedOut = 500

interface HandingOut {
  readonly db: Catalogue
  readonly book: string
  readonly account: string
  readonly writings: Writings
}

/** What is kept of a paper beside its PDF: what it was laid from, and its pages. */
export interface PaperBody {
  readonly template: Template
  readonly said: Said
  readonly letterhead: Letterhead | undefined
  readonly sheet: Sheet
  readonly pages: readonly Page[]
}

interface Numbers {
  readonly from: number
  readonly period: string
}

/**
 * Hands documents out: each is laid with its number, made a PDF, and kept, all of them or none. Numbers have no gaps: one
 * that is given is given with its paper, in one transaction.
 * @returns the ids of the papers, in the order of their records
 */
export async function handOut({ db, book, account, writings }: HandingOut): Promise<Result<readonly string[]>> {
  const { reads, template, answers, letterhead, who } = writings
  const found = readTemplate(reads.live.book, template, answers)
  if (!('read' in found)) return fail(found.faults[0]?.problem ?? { kind: 'unexpected' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  const { read } = found
  const all = await ofOneMoment(reads.db, async (transaction) => {
    const within = { ...writings, reads: { ...reads, transaction } }
    const refs = await refsOf(within, mostHandedOut + 1)
    if (refs.length > mostHandedOut) return undefined
    const filled = []
    for (let at = 0; at < refs.length; at += together)
      filled.push(...(await fillDocuments({ reads: within.reads, answers, read }, refs.slice(at, at + together))))
    return filled
  })
  if (!all) return fail({ kind: 'documents-many', most: mostHandedOut, what: 'handed out' })
  if (all.length === 0) return fail({ kind: 'document-nobody', name: template.name })
  const measures = documentMeasures(read)
  const today = answers.now.moment.slice(0, 10)
  const made = new Date()
  const pictures = await picturesFor(db, template.bare ? undefined : letterhead)
  return withNumbers(
    transact(db, async (transaction) => {
      const { numbered } = template.handed ?? {}
      const numbers = numbered && (await takeNumbers(db, book, template, today, all.length, transaction))
      const ids: string[] = []
      for (const [at, filled] of all.entries()) {
        const number = numbered && numbers && writeRunning(numbers.from + at, numbered, numbers.period)
        const said: Said = { today, who, book: reads.live.book.name, number }
        const pages = layDocument(
          { book: reads.live.book, read, filled, said, measures, drawCode: codeFor },
          letterhead,
        )
        const title = [template.name, number].filter(Boolean).join(' ')
        const pdf = await pdfOf(pages, measures.page, { title, author: who, made, pictures })
        const body: PaperBody = { template, said, letterhead, sheet: measures.page, pages }
        const id = newId()
        await run(
          db,
          `INSERT INTO \`${db.catalogue}\`.papers
           (id, book_id, template_id, name, table_id, ref, label, number, made_at, account_id, hash, body, pdf)
           VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
          [
            ...[id, book, template.id, template.name, template.table, filled.ref, filled.label.slice(0, 400)],
            ...[number ?? null, stamp(made), account, createHash('sha256').update(pdf).digest('hex')],
            ...[JSON.stringify(body), pdf],
          ],
          transaction,
        )
        ids.push(id)
      }
      return ids
    }),
  )
}

/** A number that was given under other settings already is told, and nothing is handed out. */
async function withNumbers(handing: Promise<readonly string[]>): Promise<Result<readonly string[]>> {
  try {
    return ok(await handing)
  } catch (cause) {
    const taken = /Duplicate entry '.*-([^']*)' for key 'numbered'/.exec(String((cause as Error).message))
    if (!taken) throw cause
    return fail({ kind: 'document-number-taken' })
  }
}

/** Takes so many numbers; whoever comes next waits until these are given, or given back. */
async function takeNumbers(
  db: Catalogue,
  book: string,
  { id, handed }: Template,
  today: string,
  count: number,
  transaction: Transaction,
): Promise<Numbers> {
  const period = runningPeriod(handed?.numbered ?? {}, today)
  const table = `\`${db.catalogue}\`.paper_numbers`
  const key = [book, id, period]
  await run(
    db,
    `INSERT INTO ${table} (book_id, template_id, period, last) VALUES (?, ?, ?, 0) ON DUPLICATE KEY UPDATE last = last`,
    key,
    transaction,
  )
  const where = 'book_id = ? AND template_id = ? AND period = ?'
  const [row] = await select<{ last: number }>(
    db,
    `SELECT last FROM ${table} WHERE ${where} FOR UPDATE`,
    key,
    transaction,
  )
  const last = Number(row?.last ?? 0)
  await run(db, `UPDATE ${table} SET last = ? WHERE ${where}`, [last + count, ...key], transaction)
  return { from: last + 1, period }
}

/** Pages as a PDF, whole. */
async function pdfOf(
  pages: readonly Page[],
  sheet: Sheet,
  about: ConstructorParameters<typeof ReportPdf>[1],
): Promise<Buffer> {
  const pdf = new ReportPdf(sheet, about)
  const parts: Buffer[] = []
  const all = (async () => {
    for await (const part of pdf.stream) parts.push(part as Buffer)
    return Buffer.concat(parts)
  })()
  for (const page of pages) pdf.page(page)
  pdf.end()
  return all
}
