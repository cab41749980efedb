import { createHash } from 'node:crypto'
import { type Letterhead, picturesIn, type Template } from '@/core/book'
import { runningPeriod, writeRunning } from '@/core/kinds'
import { documentMeasures, type Filled, layDocument, type Page, type Said } from '@/core/reports'
import { ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run, type Transaction } from '../database'
import { newId } from '../ids'
import { codeFor, ReportPdf, type Sheet } from '../papers'
import { holdCounter, setCounter } from './counters'
import { keepInOne } from './keep-in-one'
import { picturesFor } from './pictures'
import { type HandingOut, ofThisShape, prepare, type Prepared } from './prepare'

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
export const handOut = (handing: HandingOut): Promise<Result<readonly string[]>> =>
  ofThisShape(handing, async () => {
    const found = await prepare(handing)
    if (!found.ok) return found
    const made = await keepInOne(handing, found.value, keepPapers)
    return made.ok ? ok(made.value.map(({ id }) => id)) : made
  })

/** A document as it went out: its PDF, and what it was filled with. */
export interface Made {
  readonly filled: Filled
  readonly said: Said
  readonly title: string
  readonly pdf: Buffer
}

/** Makes the PDF of each document, with its number where it has one. */
export async function* makePdfs(
  { db, writings }: HandingOut,
  { read, all }: Prepared,
  numberOf: (at: number) => string | undefined,
): AsyncGenerator<Made & { readonly pages: readonly Page[]; readonly sheet: Sheet }> {
  const { reads, template, answers, letterhead, who } = writings
  const { book } = reads.live
  const measures = documentMeasures(read)
  const pictures = await picturesFor(db, template.bare ? undefined : letterhead, picturesIn(template))
  const made = new Date()
  for (const [at, filled] of all.entries()) {
    const number = numberOf(at)
    const said: Said = { today: answers.now.moment.slice(0, 10), who, book: book.name, number }
    const pages = layDocument({ book, read, filled, said, measures, drawCode: codeFor }, letterhead)
    const title = [template.name, number].filter(Boolean).join(' ')
    const pdf = await pdfOf(pages, measures.page, { title, author: who, made, pictures })
    yield { filled, said, title, pdf, pages, sheet: measures.page }
  }
}

/** Keeps the papers of some records, each with its number, within a transaction. */
export async function keepPapers(
  handing: HandingOut,
  prepared: Prepared,
  transaction: Transaction,
): Promise<readonly (Made & { readonly id: string })[]> {
  const { db, book, account, writings } = handing
  const { template, letterhead, answers } = writings
  const { numbered } = template.handed ?? {}
  const today = answers.now.moment.slice(0, 10)
  const numbers = numbered && (await takeNumbers(db, book, template, today, prepared.all.length, transaction))
  const numberOf = (at: number) => numbered && numbers && writeRunning(numbers.from + at, numbered, numbers.period)
  const papers = []
  for await (const { pages, sheet, ...one } of makePdfs(handing, prepared, numberOf)) {
    const { filled, said, pdf } = one
    const body: PaperBody = { template, said, letterhead, sheet, pages }
    const id = newId()
    await run(
      db,
      `INSERT INTO \`${db.catalogue}\`.papers
       (id, book_id, template_id, name, table_id, ref, label, number, made_at, account_id, hash, body, pdf)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      [
        ...[id, book, template.id, template.name, template.table, filled.ref, filled.label.slice(0, 400)],
        ...[said.number ?? null, stamp(), account, createHash('sha256').update(pdf).digest('hex')],
        ...[JSON.stringify(body), pdf],
      ],
      transaction,
    )
    papers.push({ id, ...one })
  }
  return papers
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
  const counter = { book, template: id, period }
  const last = await holdCounter(db, counter, transaction)
  await setCounter(db, counter, last + count, transaction)
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
