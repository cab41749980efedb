import {
  blocksIn,
  type Book,
  findTable,
  type Inline,
  linesIn,
  linesOfMail,
  type List,
  type Table,
  type Template,
} from '../../book'
import { type Answers, type ListFault, readList, type ReadColumn } from '../../lists'
import type { Problem } from '../../words'
import { measuresOf } from '../layout/measures'
import { notedIn } from './noted'
import { alongFault, listOf, type ReadRows, readRows } from './read-rows'

/** A document that can be written: everything that it speaks of is there. */
export interface ReadTemplate {
  readonly template: Template
  readonly table: Table
  /** What its text takes from each record, as a list. */
  readonly list: List
  readonly columns: ReadonlyMap<string, ReadColumn>
  readonly rows: ReadonlyMap<string, ReadRows>
  /** For what stands only under a condition, the list of the records that meet it. */
  readonly only: ReadonlyMap<string, List>
}

/** What is wrong in a document, and where: in a column of its text, in rows, in a condition. */
export interface TemplateFault {
  readonly at: string
  readonly part: 'column' | 'rows' | 'only' | 'document'
  readonly problem: Problem
}

/** The columns that a document's text uses, and its e-mail. */
const usedIn = ({ blocks, mail }: Template): ReadonlySet<string> =>
  new Set([
    ...blocksIn(blocks).flatMap((block) =>
      block.kind === 'fields' ? block.columns : block.kind === 'code' ? [block.column] : chipsIn(linesIn(block)),
    ),
    ...(mail ? [mail.to, ...chipsIn(linesOfMail(mail))] : []),
  ])

const chipsIn = (lines: readonly (readonly Inline[])[]): string[] =>
  lines.flatMap((line) => line.flatMap((part) => (part.kind === 'field' ? [part.column] : [])))

/** Reads a document against a book: what it speaks of may have gone by now. */
export function readTemplate(
  book: Book,
  template: Template,
  answers: Answers,
): { readonly read: ReadTemplate; readonly faults: readonly [] } | { readonly faults: readonly TemplateFault[] } {
  const table = findTable(book, template.table)
  if (!table) return { faults: [{ at: template.id, part: 'document', problem: { kind: 'gone', what: 'table' } }] }
  const faults: TemplateFault[] = []
  const note: Note = (part, at, found) => void faults.push(...found.map(({ problem }) => ({ at, part, problem })))
  const used = usedIn(template)
  const own = template.columns.filter(({ id }) => used.has(id))
  const list = listOf(template.id, table, own.length > 0 ? { columns: own } : {})
  const found = readList(book, list, answers)
  for (const fault of found.faults) note('column', 'id' in fault.at ? fault.at.id : '', [fault])
  for (const { id, shows, heading } of own) if (shows.kind === 'along') note('column', id, [alongFault(id, heading)])
  const lying = labelProblem(template)
  if (lying) faults.push({ at: template.id, part: 'document', problem: lying })
  const noted = notedIn(book, template).problem
  if (noted) faults.push({ at: template.id, part: 'document', problem: noted })
  const known = new Set(template.columns.map(({ id }) => id))
  for (const id of used)
    if (!known.has(id)) faults.push({ at: id, part: 'column', problem: { kind: 'list-field-gone', table: table.name } })
  const { rows, only } = readBlocks(book, template, table, answers, note)
  if (!('read' in found) || faults.length > 0) return { faults }
  const columns = new Map(found.read.columns.map((column) => [column.id, column]))
  return { read: { template, table, list, columns, rows, only }, faults: [] }
}

type Note = (part: TemplateFault['part'], at: string, found: readonly ListFault[]) => void

/** The rows and conditions of a document; what is wrong with one is noted. */
function readBlocks(book: Book, template: Template, table: Table, answers: Answers, note: Note) {
  const rows = new Map<string, ReadRows>()
  const only = new Map<string, List>()
  for (const block of blocksIn(template.blocks)) {
    if (block.kind === 'only') {
      const asked = listOf(block.id, table, { where: block.when })
      note('only', block.id, readList(book, asked, answers).faults)
      only.set(block.id, asked)
    }
    if (block.kind === 'rows') {
      const one = readRows(book, template, block, answers)
      if ('faults' in one) note('rows', block.id, one.faults)
      else rows.set(block.id, one)
    }
  }
  return { rows, only }
}

/** So much further a sheet may reach than is measured, in millimetres. */
const slack = 1

/** What is wrong with how labels lie on their paper. */
function labelProblem({ labels, paper, letters }: Template): Problem | undefined {
  if (!labels) return undefined
  const { across, down, width, height, left, top, stepAcross, stepDown } = labels
  const { page } = measuresOf({ paper, letters, room: 'usual' })
  const millimetres = (points: number) => (points * 25.4) / 72
  const right = left + (across - 1) * stepAcross + width
  const foot = top + (down - 1) * stepDown + height
  if (right > millimetres(page.width) + slack || foot > millimetres(page.height) + slack)
    return { kind: 'document-labels', what: 'beyond' }
  const isOver = (across > 1 && stepAcross < width) || (down > 1 && stepDown < height)
  return isOver ? { kind: 'document-labels', what: 'over' } : undefined
}
