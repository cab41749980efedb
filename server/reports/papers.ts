import { documentMeasures, layDocument, type Page, readTemplate, type TextItem } from '@/core/reports'
import type { Answers } from '@/core/lists'
import type { Catalogue } from '../catalogue'
import { containing, ofOneMoment, select } from '../database'
import type { Reads } from '../live'
import { codeFor } from '../papers'
import { fillDocuments } from './fill-documents'
import type { PaperBody } from './hand-out'
import { picturesBy } from './pictures'
import { NotLaid, type Work } from './work'

/** Something that was handed out. */
export interface Paper {
  readonly id: string
  readonly name: string
  readonly table: string
  readonly ref: string
  readonly label: string
  readonly number: string | undefined
  /** In UTC, as the database writes it. */
  readonly madeAt: string
  readonly by: string
}

interface Row {
  readonly id: string
  readonly name: string
  readonly table_id: string
  readonly ref: string
  readonly label: string
  readonly number: string | null
  readonly made_at: string
  readonly by_name: string | null
}

const paperOf = (row: Row): Paper => ({
  id: row.id,
  name: row.name,
  table: row.table_id,
  ref: row.ref,
  label: row.label,
  number: row.number ?? undefined,
  madeAt: row.made_at,
  by: row.by_name ?? 'somebody',
})

const columns = 'p.id, p.name, p.table_id, p.ref, p.label, p.number, p.made_at, a.name AS by_name'
const tables = ({ catalogue }: Catalogue) =>
  `\`${catalogue}\`.papers p LEFT JOIN \`${catalogue}\`.accounts a ON a.id = p.account_id`

/** So many are told of a record, and of all. */
const mostOfOne = 50
const mostOfAll = 300

/** What was handed out for a record, the newest first. */
export async function papersOf(db: Catalogue, book: string, table: string, ref: string): Promise<Paper[]> {
  const rows = await select<Row>(
    db,
    `SELECT ${columns} FROM ${tables(db)} WHERE p.book_id = ? AND p.table_id = ? AND p.ref = ?
     ORDER BY p.made_at DESC, p.number DESC LIMIT ${mostOfOne}`,
    [book, table, ref],
  )
  return rows.map(paperOf)
}

/** What was handed out last, of all, with some letters in what it is called, its number or what it is for. */
export async function newestPapers(db: Catalogue, book: string, find: string): Promise<Paper[]> {
  const like = containing(find)
  const rows = await select<Row>(
    db,
    `SELECT ${columns} FROM ${tables(db)} WHERE p.book_id = ? AND (p.name LIKE ? OR p.label LIKE ? OR p.number LIKE ?)
     ORDER BY p.made_at DESC, p.number DESC LIMIT ${mostOfAll}`,
    [book, like, like, like],
  )
  return rows.map(paperOf)
}

export async function findPaper(db: Catalogue, book: string, id: string): Promise<Paper | undefined> {
  const [row] = await select<Row>(db, `SELECT ${columns} FROM ${tables(db)} WHERE p.book_id = ? AND p.id = ?`, [
    book,
    id,
  ])
  return row && paperOf(row)
}

/** The PDF as it was handed out, and by which hash it is kept. */
export async function paperPdf(db: Catalogue, book: string, id: string) {
  const [row] = await select<{ pdf: Buffer; hash: string; name: string; number: string | null }>(
    db,
    `SELECT pdf, hash, name, number FROM \`${db.catalogue}\`.papers WHERE book_id = ? AND id = ?`,
    [book, id],
  )
  return row && { pdf: row.pdf, hash: row.hash, name: [row.name, row.number].filter(Boolean).join(' ') }
}

async function bodyOf(db: Catalogue, book: string, id: string) {
  const [row] = await select<{ body: string; ref: string; account_id: string; made_at: string }>(
    db,
    `SELECT body, ref, account_id, made_at FROM \`${db.catalogue}\`.papers WHERE book_id = ? AND id = ?`,
    [book, id],
  )
  if (!row) return undefined
  const age = Date.now() - Date.parse(`${row.made_at.replace(' ', 'T')}Z`)
  return { body: JSON.parse(row.body) as PaperBody, ref: row.ref, account: row.account_id, age }
}

/** What stands over each page of a paper that is shown again. */
function copyMark({ sheet }: PaperBody): TextItem {
  return { kind: 'text', x: sheet.width - 64, y: 26, size: 11, bold: true, words: 'COPY' }
}

interface Showing {
  readonly db: Catalogue
  readonly book: string
  readonly papers: readonly string[]
  /** Who handed them out just now, and sees them without a mark. */
  readonly originalFor?: string | undefined
}

/** So long what was handed out is shown to whoever did it as the original, in milliseconds. */
const originalFor = 3_600_000

/** Papers that were handed out as what is laid: their pages as they were, marked as copies where they are shown again. */
export function papersWork(
  { db, book, papers, originalFor: account }: Showing,
  bookName: string,
): Work<{ documents: number }> {
  const hashes = new Set<string>()
  return {
    title: 'Handed out',
    book: bookName,
    pictures: () => picturesBy(db, [...hashes]),
    async lay(onBegin, onPages) {
      let documents = 0
      for (const id of papers) {
        const found = await bodyOf(db, book, id)
        if (!found) continue
        const { body } = found
        const isOriginal = account !== undefined && found.account === account && found.age < originalFor
        if (documents++ === 0) onBegin(measuresFor(body))
        const mark = isOriginal ? [] : [copyMark(body)]
        notePictures(body.pages, hashes)
        await onPages(body.pages.map((page) => ({ ...page, items: [...page.items, ...mark] })))
      }
      if (documents === 0) throw new NotLaid({ kind: 'gone', what: 'document' })
      return { documents }
    },
  }
}

function notePictures(pages: readonly Page[], hashes: Set<string>): void {
  for (const { items } of pages) for (const item of items) if (item.kind === 'picture') hashes.add(item.hash)
}

const measuresFor = ({ template, sheet }: PaperBody) => ({ ...documentMeasures({ template }), page: sheet })

interface Today {
  readonly db: Catalogue
  readonly reads: Reads
  readonly book: string
  readonly paper: string
  readonly answers: Answers
}

/** The pages that the same paper would have with the values of today, its letterhead and number being as they were; undefined where that can't be laid any more. */
async function pagesToday({
  db,
  reads,
  book,
  paper,
  answers,
}: Today): Promise<{ readonly then: PaperBody; readonly now: readonly Page[] | undefined } | undefined> {
  const found = await bodyOf(db, book, paper)
  if (!found) return undefined
  const { body, ref } = found
  const read = readTemplate(reads.live.book, body.template, answers)
  if (!('read' in read)) return { then: body, now: undefined }
  const [filled] = await ofOneMoment(reads.db, (transaction) =>
    fillDocuments({ reads: { ...reads, transaction }, answers, read: read.read }, [ref]),
  )
  if (!filled) return { then: body, now: undefined }
  const writing = {
    book: reads.live.book,
    read: read.read,
    filled,
    said: body.said,
    measures: documentMeasures(read.read),
    drawCode: codeFor,
  }
  return { then: body, now: layDocument(writing, body.letterhead) }
}

/** How a paper differs from what it would be today. */
export interface Differences {
  /** It can't be written any more: the record is gone, or something that the paper speaks of. */
  readonly isGone: boolean
  /** Nothing on it would be otherwise, nor in another place. */
  readonly isSame: boolean
  readonly was: readonly string[]
  readonly is: readonly string[]
}

const linesOf = (pages: readonly Page[]): string[] =>
  pages.flatMap(({ items }) => {
    const lines = new Map<number, string>()
    for (const item of items)
      if (item.kind === 'text') lines.set(item.y, [lines.get(item.y), item.words].filter(Boolean).join(' '))
    return [...lines.entries()]
      .sort(([a], [b]) => a - b)
      .map(([, words]) =>
        words
          .replace(/\s+/g, ' ')
          .replace(/ (?=[.,;:!?)])/g, '')
          .trim(),
      )
  })

/** The lines that stand on the paper and not on today's, and the other way round. */
export async function differencesOf(today: Today): Promise<Differences | undefined> {
  const found = await pagesToday(today)
  if (!found) return undefined
  if (!found.now) return { isGone: true, isSame: false, was: [], is: [] }
  const [was, is] = [linesOf(found.then.pages), linesOf(found.now)]
  const without = (some: readonly string[], others: readonly string[]) => {
    const left = new Map<string, number>()
    for (const one of others) left.set(one, (left.get(one) ?? 0) + 1)
    return some.filter((one) => {
      const count = left.get(one) ?? 0
      left.set(one, count - 1)
      return count <= 0
    })
  }
  // Codes have no words, and lines may change places.
  const drawn = (pages: readonly Page[]) => JSON.stringify(pages.map(({ items }) => items))
  const isSame = drawn(found.then.pages) === drawn(found.now)
  return { isGone: false, isSame, was: without(was, is), is: without(is, was) }
}

/** What the paper would be today, as what is laid. */
export function todayWork(today: Today): Work<{ documents: number }> {
  const hashes = new Set<string>()
  return {
    title: 'As it would be today',
    book: today.reads.live.book.name,
    pictures: () => picturesBy(today.db, [...hashes]),
    async lay(onBegin, onPages) {
      const found = await pagesToday(today)
      if (!found?.now) throw new NotLaid({ kind: 'gone', what: 'document' })
      onBegin(measuresFor(found.then))
      notePictures(found.now, hashes)
      await onPages(found.now)
      return { documents: 1 }
    },
  }
}
