import type { JSONContent } from '@tiptap/react'
import type { Block, Column, ColumnShows, Inline, Mail, RowsBlock, Template } from '@/core/book'
import { sameJson } from '@/core/words'
import type { ChipParts, CodeParts, FieldsParts, MailParts, OnlyBlock, PictureParts, Settings } from './text-of'

const turn: Inline = { kind: 'turn' }

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
  const tableOf = ({ content = [] }: JSONContent): Block => {
    const cellOf = (cell: JSONContent) =>
      paragraphsIn(cell).flatMap((line, at) => [...(at > 0 ? [turn] : []), ...lineOf(line)])
    const rows = content.map((row) => (row.content ?? []).map(cellOf))
    const headed = content[0]?.content?.[0]?.type === 'tableHeader'
    return { kind: 'table', rows, ...(headed && { headed: true as const }) }
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
      case 'table':
        return [tableOf(node)]
      default:
        return plainPart(node)
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

/** A part that speaks of nothing in the record. */
function plainPart({ type, attrs }: JSONContent): Block[] {
  switch (type) {
    case 'picture':
      return [{ kind: 'picture', ...(attrs?.parts as PictureParts) }]
    case 'horizontalRule':
      return [{ kind: 'line' }]
    case 'room':
      return [{ kind: 'room', lines: attrs?.lines as number }]
    case 'signatures':
      return [{ kind: 'signatures', of: attrs?.of as readonly string[] }]
    case 'pageTurn':
      return [{ kind: 'turn' }]
    default:
      return []
  }
}
