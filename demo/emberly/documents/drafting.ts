import {
  type Block,
  type Column,
  type ColumnShows,
  type Edit,
  type Inline,
  type Mail,
  type Template,
  type Way,
} from '@/core/book'
import type { DesignWriter } from '../../design'

export const text = (words: string, bold?: true): Inline => ({ kind: 'text', words, ...(bold && { bold }) })
export const words = (...of: Inline[]): Block => ({ kind: 'words', of })
export const one = (...fields: string[]): Way => fields.map((field) => ({ to: 'one', field }))
export const today: Inline = { kind: 'said', what: 'today' }
/** Whoever hands it out, of which office, a line each. */
export const signed: Inline[] = [{ kind: 'said', what: 'who' }, { kind: 'turn' }, { kind: 'said', what: 'book' }]
/** "Yours sincerely", room for a hand, and who it is. */
export const sincerely: Block[] = [
  words(text('Yours sincerely,')),
  words(),
  words(),
  words({ kind: 'said', what: 'who' }),
  words({ kind: 'said', what: 'book' }),
]

export const field = (id: string, way: Way = []): Column => ({
  id,
  shows: { kind: 'field', place: { way, field: id } },
})

export const address = (draft: Draft, way: Way): Inline[][] => [
  [draft.chip('premises__address', way)],
  [draft.chip('premises__town', way)],
  [draft.chip('premises__postcode', way)],
]

/** A document while it is put together: what its text takes is numbered as it comes. */
export class Draft {
  readonly columns: Column[] = []
  column(shows: ColumnShows): string {
    const id = `c${this.columns.length + 1}`
    this.columns.push({ id, shows })
    return id
  }
  of = (field: string, way: Way = []): string => this.column({ kind: 'field', place: { way, field } })
  chip = (field: string, way: Way = [], more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
    kind: 'field',
    column: this.of(field, way),
    ...more,
  })
  all = (field: string, way: Way, more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
    kind: 'field',
    column: this.column({ kind: 'several', place: { way, field }, as: 'together' }),
    ...more,
  })
}

/** Writes documents into a design. */
export interface Documents {
  /** The way to the rows of one table that hang on another. */
  readonly rowsOf: (many: string, from: string) => Way
  readonly keep: (
    id: string,
    table: string,
    name: string,
    more: Partial<Template>,
    write: (draft: Draft) => Block[],
    mail?: (draft: Draft) => Mail,
  ) => void
}

export function documentsIn(design: DesignWriter): Documents {
  return {
    rowsOf(many, from) {
      const link = design.result.links.find((each) => each.many === many && each.one === from)
      if (!link) throw new Error(`Expected ${many} to be linked to ${from}.`)
      return [{ to: 'rows', link: link.id }]
    },
    keep(id, table, name, more, write, mail) {
      const draft = new Draft()
      const blocks = write(draft)
      const letter = mail?.(draft)
      const edit: Edit = {
        kind: 'addTemplate',
        id,
        table,
        name,
        paper: { size: 'a4', margin: 20 },
        letters: 10.5,
        ...more,
        ...(letter && { mail: letter }),
        columns: draft.columns,
        blocks,
      }
      design.make(edit)
    },
  }
}
