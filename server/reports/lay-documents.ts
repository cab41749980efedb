import { type Letterhead, type List, picturesIn, type Template } from '@/core/book'
import { type Answers, readList } from '@/core/lists'
import {
  documentMeasures,
  type FittedLabels,
  LabelSheets,
  layDocument,
  type Measures,
  type Page,
  type ReadTemplate,
  readTemplate,
} from '@/core/reports'
import { ofOneMoment } from '../database'
import { type Reads, walkList } from '../live'
import { codeFor } from '../papers'
import { fillDocuments } from './fill-documents'
import { picturesFor } from './pictures'
import { lettingGo, NotLaid, type OnPages, type Work } from './work'

/** Documents to be written: which, for which records, and who asked. */
export interface Writings {
  readonly reads: Reads
  readonly template: Template
  readonly answers: Answers
  /** These records, in this order, or all of a list. */
  readonly of: { readonly refs: readonly string[] } | { readonly list: List }
  readonly letterhead: Letterhead | undefined
  readonly isOpening?: (() => Promise<boolean>) | undefined
  readonly who: string
  /** With which label of the first sheet labels begin, from 1 on. */
  readonly first?: number | undefined
}

/** What came of writing them. */
export interface Written {
  readonly documents: number
  /** What came of fitting them, where they are labels. */
  readonly labels?: FittedLabels | undefined
  /** Values that no code for scanning could say, some of them; they are written instead. */
  readonly plain?: readonly string[] | undefined
}

/** So many values without a code are named. */
const mostPlain = 20

/** So many records are read at a time. */
export const together = 100

/** So many documents are written at a time: more than a printer does in days, and what waits for it stays small. */
const mostWritten = 20_000

async function* batchesOf({ reads, of, answers }: Writings): AsyncGenerator<readonly string[]> {
  if ('refs' in of) {
    for (let at = 0; at < of.refs.length; at += together) yield of.refs.slice(at, at + together)
    return
  }
  const found = readList(reads.live.book, of.list, answers)
  if (!('read' in found)) throw new NotLaid(found.faults[0]?.problem ?? { kind: 'unexpected' })
  for await (const { lines } of walkList({ reads, list: of.list, answers, read: found.read }))
    for (let at = 0; at < lines.length; at += together) yield lines.slice(at, at + together).map(({ ref }) => ref)
}

/** The records that documents are written for, up to so many. */
export async function refsOf(writings: Writings, most: number): Promise<string[]> {
  const refs: string[] = []
  for await (const some of batchesOf(writings)) {
    refs.push(...some)
    if (refs.length >= most) return refs.slice(0, most)
  }
  return refs
}

async function writeAll(
  writings: Writings,
  read: ReadTemplate,
  onBegin: (measures: Measures) => void,
  onPages: OnPages,
): Promise<Written> {
  const { reads: from, answers, letterhead, who, template } = writings
  const { book } = from.live
  const measures = documentMeasures(read)
  onBegin(measures)
  const said = { today: answers.now.moment.slice(0, 10), who, book: book.name }
  const release = lettingGo(writings)
  const full: Page[] = []
  const { labels } = template
  const sheets = labels && new LabelSheets(labels, writings.first ?? 1, (page) => full.push(page))
  const plain: string[] = []
  const notePlain = (value: string) => void (plain.length < mostPlain && plain.push(value))
  const documents = await ofOneMoment(from.db, async (transaction) => {
    const reads = { ...from, transaction }
    let count = 0
    for await (const refs of batchesOf({ ...writings, reads })) {
      for (const filled of await fillDocuments({ reads, answers, read }, refs)) {
        count++
        if (count > mostWritten) throw new NotLaid({ kind: 'documents-many', most: mostWritten, what: 'written' })
        const writing = { book, read, filled, said, measures, drawCode: codeFor, onPlainCode: notePlain }
        if (sheets) sheets.label(writing)
        else full.push(...layDocument(writing, letterhead))
        await onPages(full.splice(0))
      }
      await release()
    }
    sheets?.end()
    await onPages(full)
    return count
  })
  if (documents === 0) throw new NotLaid({ kind: 'document-nobody', name: template.name })
  return {
    documents,
    ...(plain.length > 0 && { plain: [...new Set(plain)] }),
    ...(sheets && { labels: sheets.fitted }),
  }
}

/** Documents as what is laid. What is wrong in them is known before. */
export function documentsWork(writings: Writings): Work<Written> | { readonly problem: NotLaid['problem'] } {
  const { reads, template, answers, isOpening } = writings
  const { book } = reads.live
  const found = readTemplate(book, template, answers)
  if (!('read' in found)) return { problem: found.faults[0]?.problem ?? { kind: 'unexpected' } }
  return {
    title: template.name,
    book: book.name,
    isOpening,
    pictures: () => picturesFor(reads.db, template.bare ? undefined : writings.letterhead, picturesIn(template)),
    lay: (onBegin, onPages) => writeAll(writings, found.read, onBegin, onPages),
  }
}
