import { type Block, blocksIn, type List, tableOf, type Template } from '@/core/book'
import type { Answers } from '@/core/lists'
import { type Filled, readTemplate } from '@/core/reports'
import { askList, type Reads } from '../live'
import { fillDocuments } from './fill-documents'

/** What one record puts into a document, for whoever writes it; its rows in words. */
export interface DocumentExample {
  readonly ref: string
  readonly label: string
  /** By the column's id. */
  readonly cells: Filled['cells']
  readonly rows: Readonly<Record<string, { readonly rows: readonly (readonly string[])[]; readonly more: number }>>
  readonly holds: readonly string[]
}

/** So many rows of each block are told. */
const mostRows = 3

/** A document of everything that the other speaks of, and that is still there. */
function soundOf(template: Template, isWrong: (part: string) => boolean): Template {
  const columns = template.columns.filter(({ id }) => !isWrong(id))
  const fields: Block[] =
    columns.length > 0 ? [{ kind: 'fields', columns: columns.map(({ id }) => id), across: 1 }] : []
  const others = blocksIn(template.blocks).flatMap((block): Block[] => {
    if (block.kind === 'rows' && !isWrong(block.id)) return [block]
    return block.kind === 'only' && !isWrong(block.id) ? [{ ...block, of: [{ kind: 'line' }] }] : []
  })
  return { ...template, columns, blocks: [...fields, ...others] }
}

/** The values of a record for a document, of the first one where none is named; what is wrong in it is left out. */
export async function exampleOf(
  reads: Reads,
  template: Template,
  answers: Answers,
  ref: string | undefined,
): Promise<DocumentExample | undefined> {
  const { book } = reads.live
  const all = soundOf(template, () => false)
  const wrong = new Set(readTemplate(book, all, answers).faults.map(({ at }) => at))
  const found = readTemplate(
    book,
    soundOf(template, (part) => wrong.has(part)),
    answers,
  )
  if (!('read' in found)) return undefined
  const own = ref ?? (await firstRef(reads, template, answers))
  const [filled] = own === undefined ? [] : await fillDocuments({ reads, answers, read: found.read }, [own])
  if (!filled) return undefined
  const columns = [...found.read.columns.keys()]
  return {
    ref: filled.ref,
    label: filled.label,
    cells: Object.fromEntries(columns.map((id) => [id, filled.cells[id] ?? null])),
    rows: Object.fromEntries(
      Object.entries(filled.rows).map(([id, { rows }]) => [
        id,
        { rows: rows.slice(0, mostRows), more: Math.max(0, rows.length - mostRows) },
      ]),
    ),
    holds: [...filled.holds],
  }
}

async function firstRef(reads: Reads, template: Template, answers: Answers): Promise<string | undefined> {
  const table = tableOf(reads.live.book, template.table)
  const field = table.key[0] ?? table.fields[0]?.id ?? ''
  const list: List = {
    id: 'first',
    table: table.id,
    columns: [{ id: 'key', shows: { kind: 'field', place: { way: [], field } } }],
    asks: [],
    order: [],
  }
  const page = await askList(reads, list, answers, { limit: 1 })
  return 'faults' in page ? undefined : page.lines[0]?.ref
}
