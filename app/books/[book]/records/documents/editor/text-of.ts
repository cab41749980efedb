import type { JSONContent } from '@tiptap/react'
import type { Block, Column, ColumnShows, Inline, Mail, RowsBlock, Template } from '@/core/book'
import { sameJson } from '@/core/words'

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

type OnlyBlock = Extract<Block, { kind: 'only' }>

const turn: Inline = { kind: 'turn' }
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

/** The document that a text is. Its columns are numbered as they come, each once. */
export function templateOf({ id, table }: Pick<Template, 'id' | 'table'>, text: JSONContent): Template {
  const columns: Column[] = []
  const columnOf = ({ shows, heading }: { shows: ColumnShows; heading?: string | undefined }): string => {
    const found = columns.find((one) => sameJson(one.shows, shows) && one.heading === heading)
    if (found) return found.id
    const column: Column = { id: `c${columns.length + 1}`, shows, ...(heading && { heading }) }
    columns.push(column)
    return column.id
  }
  const isBold = ({ marks = [] }: JSONContent) => marks.some(({ type }) => type === 'bold')
  const inlineOf = (node: JSONContent): Inline[] => {
    const bold = isBold(node) ? { bold: true as const } : {}
    if (node.type === 'text') return node.text ? [{ kind: 'text', words: node.text, ...bold }] : []
    if (node.type === 'hardBreak') return [{ kind: 'turn' }]
    if (node.type !== 'chip') return []
    const parts = node.attrs?.parts as ChipParts
    if ('what' in parts) return [{ kind: 'said', ...parts, ...bold }]
    const { shows, heading, ...how } = parts
    return [{ kind: 'field', column: columnOf({ shows, heading }), ...how, ...bold }]
  }
  const lineOf = ({ content = [] }: JSONContent) => content.flatMap(inlineOf)
  const paragraphsIn = ({ content = [] }: JSONContent): JSONContent[] =>
    content.flatMap((node) => (node.type === 'paragraph' || node.type === 'heading' ? [node] : paragraphsIn(node)))
  const alignOf = (node: JSONContent) => {
    const is = node.attrs?.textAlign as string | null | undefined
    return is === 'center' ? { align: 'middle' as const } : is === 'right' ? { align: 'end' as const } : {}
  }
  const lookOf = ({ type, attrs }: JSONContent) => {
    if (type === 'heading') return { look: attrs?.level === 1 ? ('title' as const) : ('heading' as const) }
    return attrs?.small === true ? { look: 'small' as const } : {}
  }
  const blockOf = (node: JSONContent): Block[] => {
    switch (node.type) {
      case 'paragraph':
      case 'heading':
        return [{ kind: 'words', ...lookOf(node), ...alignOf(node), of: lineOf(node) }]
      case 'bulletList':
      case 'orderedList': {
        const numbered = node.type === 'orderedList' ? { numbered: true as const } : {}
        return paragraphsIn(node).map((line) => ({ kind: 'point', ...numbered, of: lineOf(line) }))
      }
      case 'address':
        return [{ kind: 'address', lines: (node.content ?? []).map(lineOf) }]
      case 'fields': {
        const { columns: some, across, blanks } = node.attrs?.parts as FieldsParts
        if (some.length === 0) return []
        return [{ kind: 'fields', columns: some.map(columnOf), across, ...(blanks && { blanks }) }]
      }
      case 'code': {
        const { shows, heading, ...how } = node.attrs?.parts as CodeParts
        return [{ kind: 'code', column: columnOf({ shows, heading }), ...how }]
      }
      case 'rows':
        return [node.attrs?.parts as RowsBlock]
      case 'only': {
        const { id: own, when } = node.attrs as Pick<OnlyBlock, 'id' | 'when'>
        const of = (node.content ?? []).flatMap(blockOf)
        return of.length > 0 ? [{ kind: 'only', id: own, when, of }] : []
      }
      case 'picture':
        return [{ kind: 'picture', ...(node.attrs?.parts as PictureParts) }]
      case 'table': {
        const rows = (node.content ?? []).map(({ content = [] }) =>
          content.map((cell) => paragraphsIn(cell).flatMap((line, at) => [...(at > 0 ? [turn] : []), ...lineOf(line)])),
        )
        const headed = node.content?.[0]?.content?.[0]?.type === 'tableHeader'
        return [{ kind: 'table', rows, ...(headed && { headed: true as const }) }]
      }
      case 'horizontalRule':
        return [{ kind: 'line' }]
      case 'room':
        return [{ kind: 'room', lines: node.attrs?.lines as number }]
      case 'signatures':
        return [{ kind: 'signatures', of: node.attrs?.of as readonly string[] }]
      case 'pageTurn':
        return [{ kind: 'turn' }]
      default:
        return []
    }
  }
  const mailOf = ({ attrs, content = [] }: JSONContent): Mail => {
    const { shows, attached } = attrs?.parts as MailParts
    const [subject = [], ...message] = content.map(lineOf)
    const lines = message.length > 0 ? message : [[]]
    return { to: columnOf({ shows }), subject, message: lines, ...(attached && { attached }) }
  }
  const letter = text.content?.find(({ type }) => type === 'mail')
  const mail = letter && mailOf(letter)
  const all = (text.content ?? []).flatMap(blockOf)
  // The editor keeps an empty line at the end, to go on in.
  const last = all.at(-1)
  const blocks = last?.kind === 'words' && last.of.length === 0 ? all.slice(0, -1) : all
  return { id, table, ...(text.attrs?.settings as Settings), ...(mail && { mail }), columns, blocks }
}
