import type { JSONContent } from '@tiptap/react'
import type { Block, ColumnShows, Inline, Mail, Template } from '@/core/book'

/** What of a document isn't its text: how it is called, its paper. The editor keeps it with the text, so that both are undone alike. */
export type Settings = Omit<Template, 'id' | 'table' | 'columns' | 'blocks' | 'mail'>

/** What a chip in the text is: a field by what it shows, or what isn't the record's own. */
export type ChipParts =
  | ({ readonly shows: ColumnShows; readonly heading?: string | undefined } & Omit<
      Extract<Inline, { kind: 'field' }>,
      'kind' | 'column' | 'bold'
    >)
  | Omit<Extract<Inline, { kind: 'said' }>, 'kind' | 'bold'>

/** Fields with their names, by what they show. */
export interface FieldsParts {
  readonly columns: readonly { readonly shows: ColumnShows; readonly heading?: string | undefined }[]
  readonly across: number
  readonly blanks?: true | undefined
}

/** A code for scanning, by what it shows. */
export interface CodeParts extends Omit<Extract<Block, { kind: 'code' }>, 'kind' | 'column'> {
  readonly shows: ColumnShows
  readonly heading?: string | undefined
}

/** An e-mail's receivers, by what they are shown by, and whether the document goes with it. */
export interface MailParts extends Pick<Mail, 'attached'> {
  readonly shows: ColumnShows
}

/** A picture in the text. */
export type PictureParts = Omit<Extract<Block, { kind: 'picture' }>, 'kind'>

export type OnlyBlock = Extract<Block, { kind: 'only' }>

const aligns = { middle: 'center', end: 'right' } as const

/** A document as the editor has it. */
export function textOf({ id: _id, table: _table, columns, blocks, mail, ...settings }: Template): JSONContent {
  const byId = new Map(columns.map((column) => [column.id, column]))
  const shownBy = (id: string) => {
    const column = byId.get(id)
    return column && { shows: column.shows, ...(column.heading && { heading: column.heading }) }
  }
  const inlineOf = (part: Inline): JSONContent[] => {
    switch (part.kind) {
      case 'text':
        return [{ type: 'text', text: part.words, ...(part.bold && { marks: [{ type: 'bold' }] }) }]
      case 'turn':
        return [{ type: 'hardBreak' }]
      case 'said': {
        const { kind: _kind, bold, ...parts } = part
        return [{ type: 'chip', attrs: { parts }, ...(bold && { marks: [{ type: 'bold' }] }) }]
      }
      case 'field': {
        const { kind: _kind, column, bold, ...how } = part
        const shown = shownBy(column)
        return shown
          ? [{ type: 'chip', attrs: { parts: { ...shown, ...how } }, ...(bold && { marks: [{ type: 'bold' }] }) }]
          : []
      }
    }
  }
  const paragraph = (of: readonly Inline[], attrs: object = {}): JSONContent => ({
    type: 'paragraph',
    attrs,
    ...(of.length > 0 && { content: of.flatMap(inlineOf) }),
  })
  const blockOf = (block: Block): JSONContent => {
    switch (block.kind) {
      case 'words': {
        const textAlign = block.align ? aligns[block.align] : null
        if (block.look === 'title' || block.look === 'heading')
          return {
            ...paragraph(block.of),
            type: 'heading',
            attrs: { level: block.look === 'title' ? 1 : 2, textAlign },
          }
        return paragraph(block.of, { textAlign, small: block.look === 'small' })
      }
      case 'point':
        return { type: 'listItem', content: [paragraph(block.of)] }
      case 'address':
        return {
          type: 'address',
          content: block.lines.length > 0 ? block.lines.map((line) => paragraph(line)) : [paragraph([])],
        }
      case 'fields': {
        const parts: FieldsParts = {
          columns: block.columns.flatMap((one) => shownBy(one) ?? []),
          across: block.across,
          ...(block.blanks && { blanks: true }),
        }
        return { type: 'fields', attrs: { parts } }
      }
      case 'code': {
        const { kind: _kind, column, ...how } = block
        const shown = shownBy(column)
        return shown ? { type: 'code', attrs: { parts: { ...shown, ...how } } } : { type: 'paragraph' }
      }
      case 'rows':
        return { type: 'rows', attrs: { parts: block } }
      case 'only':
        return { type: 'only', attrs: { id: block.id, when: block.when }, content: blocksOf(block.of) }
      case 'picture': {
        const { kind: _kind, ...parts } = block
        return { type: 'picture', attrs: { parts } }
      }
      case 'table': {
        const cellOf = (line: readonly Inline[], row: number): JSONContent => ({
          type: block.headed && row === 0 ? 'tableHeader' : 'tableCell',
          content: [paragraph(line)],
        })
        const rowOf = (row: readonly (readonly Inline[])[], at: number): JSONContent => ({
          type: 'tableRow',
          content: row.map((line) => cellOf(line, at)),
        })
        return { type: 'table', content: block.rows.map(rowOf) }
      }
      case 'line':
        return { type: 'horizontalRule' }
      case 'room':
        return { type: 'room', attrs: { lines: block.lines } }
      case 'signatures':
        return { type: 'signatures', attrs: { of: block.of } }
      case 'turn':
        return { type: 'pageTurn' }
    }
  }
  // Points one after the other are one list.
  const blocksOf = (some: readonly Block[]): JSONContent[] =>
    some.reduce<JSONContent[]>((all, block) => {
      const own = blockOf(block)
      if (block.kind !== 'point') return [...all, own]
      const type = block.numbered ? 'orderedList' : 'bulletList'
      const last = all.at(-1)
      if (last?.type === type) return [...all.slice(0, -1), { ...last, content: [...(last.content ?? []), own] }]
      return [...all, { type, content: [own] }]
    }, [])
  const mailOf = ({ to, attached, subject, message }: Mail): JSONContent[] => {
    const shown = shownBy(to)
    if (!shown) return []
    const parts: MailParts = { shows: shown.shows, ...(attached && { attached }) }
    return [{ type: 'mail', attrs: { parts }, content: [subject, ...message].map((line) => paragraph(line)) }]
  }
  const content = blocksOf(blocks)
  return {
    type: 'doc',
    attrs: { settings },
    content: [...(mail ? mailOf(mail) : []), ...(content.length > 0 ? content : [{ type: 'paragraph' }])],
  }
}
