import {
  type Block,
  type Book,
  type Column,
  type Field,
  type Hop,
  type Inline,
  type RowsBlock,
  type Table,
  tableOf,
  type Way,
} from '../../../book'
import { displayOf } from '../../../expressions'
import { kindOf } from '../../../kinds'
import { furtherFrom, isSeveral } from '../../../lists'
import { inSentence, plural } from '../../../words'
import { rowsList, rowWays } from '../read-rows'

/** A field that a single record leads to, and the way there. */
export interface Found {
  readonly way: Way
  readonly table: Table
  readonly field: Field
}

/** A document while it is put together: each field that its text takes is one column of it. */
export class ReadyDraft {
  readonly columns: Column[] = []
  private count = 0

  constructor(
    readonly book: Book,
    readonly table: Table,
  ) {}

  column({ way, field }: Pick<Found, 'way' | 'field'>): string {
    const id = `c${++this.count}`
    this.columns.push({ id, shows: { kind: 'field', place: { way, field: field.id } } })
    return id
  }

  chip(found: Pick<Found, 'way' | 'field'>, more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline {
    return { kind: 'field', column: this.column(found), ...more }
  }

  id = (): string => `b${++this.count}`

  own = (field: Field): Found => ({ way: [], table: this.table, field })

  /** The chips by which staff know the record. */
  known(bold?: true): Inline[] {
    const fields = this.table.knownBy.flatMap((id) => this.table.fields.find((field) => field.id === id) ?? [])
    return fields.flatMap((field, at): Inline[] => [
      ...(at > 0 ? [text(', ', bold)] : []),
      this.chip(this.own(field), bold ? { bold } : {}),
    ])
  }
}

export const text = (words: string, bold?: true): Inline => ({ kind: 'text', words, ...(bold && { bold }) })
export const words = (...of: Inline[]): Block => ({ kind: 'words', of })

/** Everything that one record leads to, one after the other, the nearest first. */
export function inReach(
  book: Book,
  table: Table,
  furthest = 3,
): readonly { readonly way: Way; readonly table: Table }[] {
  const all: { way: Way; table: Table }[] = [{ way: [], table }]
  for (const here of all) {
    if (here.way.length >= furthest) continue
    for (const { hops, to } of furtherFrom(book, table.id, here.way)) {
      const way = [...here.way, ...hops]
      // Back to where it came from is no news.
      const isNew = !all.some((one) => one.table.id === to.id && sameEnd(one.way, way))
      if (!isSeveral(book, way) && hops.every((hop: Hop) => hop.to === 'one') && to.id !== table.id && isNew)
        all.push({ way, table: to })
    }
  }
  return all
}

const sameEnd = (a: Way, b: Way) => JSON.stringify(a.at(-1)) === JSON.stringify(b.at(-1))

/** Fields that are short enough to stand with others, without pictures and files. */
export const shortFields = (book: Book, table: Table): Field[] =>
  table.fields.filter((field) => !['passage', 'file'].includes(kindOf(displayOf(book, field).kind).control))

export const longFields = (book: Book, table: Table): Field[] =>
  table.fields.filter((field) => kindOf(displayOf(book, field).kind).control === 'passage')

export const isMoney = (book: Book, field: Field): boolean => displayOf(book, field).kind === 'money'

const columnsAtMost = 6

/** The rows that hang on the record by one link. */
export const rowBlocks = (draft: ReadyDraft, isWanted: (end: Table) => boolean = () => true): Block[] =>
  rowWays(draft.book, draft.table.id)
    .filter(({ way, end }) => way.length === 1 && isWanted(end))
    .map(({ way, end }) => ({
      ...usualRows(draft.book, draft.table, way, end, draft.id()),
      none: `No ${plural(inSentence(end.name))}.`,
    }))

/**
 * Rows as they begin: the first short fields, amounts at the end of each line, and what those come to.
 * @param id its own, made by whoever wishes
 */
export function usualRows(book: Book, table: Table, way: Way, end: Table, id: string): RowsBlock {
  const hop = way.at(-1)
  const back = hop?.to === 'rows' ? book.links.find((link) => link.id === hop.link)?.field : undefined
  const isOwnNumber = (field: Field) => field.kind === 'running' && end.key.includes(field.id)
  const fields = shortFields(book, end).filter((field) => field.id !== back && !isOwnNumber(field))
  const shown = (fields.length > 0 ? fields : end.fields).slice(0, columnsAtMost)
  const sorted = [...shown.filter((field) => !isMoney(book, field)), ...shown.filter((field) => isMoney(book, field))]
  const columns = sorted.map((field): Column => ({
    id: field.id,
    shows: { kind: 'field', place: { way: [], field: field.id } },
  }))
  const block: RowsBlock = { kind: 'rows', id, way, columns, order: [], heading: plural(end.name) }
  return { ...block, ...totals(book, table, block) }
}

/** What is added up beneath rows: an amount of each row, but no price of one of several. */
function totals(book: Book, table: Table, block: RowsBlock) {
  const list = rowsList(book, table.id, block)
  const end = list && tableOf(book, list.table)
  const fields = block.columns.flatMap(({ id }) => end?.fields.find((field) => field.id === id) ?? [])
  const amounts = fields.filter((field) => isMoney(book, field))
  const worked = amounts.find(({ kind }) => kind === 'workedOut')
  const isCounted = fields.some(({ name }) => /quantity|number of|count|how many/i.test(name))
  const column = worked ?? (isCounted ? undefined : amounts.at(-1))
  return column ? { figures: [{ column: column.id, name: 'total' as const }] } : {}
}
