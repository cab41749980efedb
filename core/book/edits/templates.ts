import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { dropPart, putTemplate, setKeys } from '../build-steps'
import { findTable, findTemplate } from '../find'
import { limits } from '../limits'
import { type Block, blocksIn, type Inline, type Mail, Template } from '../template'
import { type EditKind, Id, orNothing } from './edit-kind'
import { isTaken, tidied, typedName } from './kept-parts'

const gone = fail({ kind: 'gone', what: 'document' })

type Parts = Omit<Template, 'id' | 'table'>

// What no paper can hold: control characters, and letters that nobody sees.
const bare = (text: string) => text.normalize('NFC').replace(/\p{Cc}|(?!\u200d)\p{Cf}/gu, ' ')

const tidyLine = (line: readonly Inline[]): readonly Inline[] =>
  line.map((part) => (part.kind === 'text' ? { ...part, words: bare(part.words) } : part))

function tidyBlock(block: Block): Block {
  switch (block.kind) {
    case 'words':
    case 'point':
      return { ...block, of: tidyLine(block.of) }
    case 'address':
      return { ...block, lines: block.lines.map(tidyLine) }
    case 'table':
      return { ...block, rows: block.rows.map((row) => row.map(tidyLine)) }
    case 'signatures':
      return { ...block, of: block.of.map((words) => bare(words).trim() || '…') }
    case 'only':
      return { ...block, of: block.of.map(tidyBlock) }
    default:
      return block
  }
}

const tidyMail = (mail: Mail): Mail => ({
  ...mail,
  subject: tidyLine(mail.subject),
  message: mail.message.map(tidyLine),
})

/** A document's parts tidied, or why they can't be kept. */
function partsOf(book: Book, id: string, parts: Parts): Result<Parts> {
  const name = tidied(parts.name, limits.nameLength)
  if (!name.ok) return name
  if (!name.value) return fail({ kind: 'name-blank', what: 'document' })
  const said = name.value
  if (book.templates.some((one) => one.id !== id && one.name.toLowerCase() === said.toLowerCase()))
    return fail({ kind: 'name-taken', what: 'document', name: said })
  const all = blocksIn(parts.blocks)
  if (all.length > limits.blocks) return fail({ kind: 'document-too-long', most: limits.blocks })
  const ids = all.flatMap((block) => (block.kind === 'rows' || block.kind === 'only' ? [block.id] : []))
  const columns = parts.columns.map((column) => column.id)
  // Two of one name would each get what is meant for the other.
  if (new Set(ids).size < ids.length || new Set(columns).size < columns.length)
    return fail({ kind: 'stale', what: 'This document' })
  const mail = parts.mail && { mail: tidyMail(parts.mail) }
  return ok({ ...parts, name: said, blocks: parts.blocks.map(tidyBlock), ...mail })
}

const AddTemplate = z.strictObject({ kind: z.literal('addTemplate'), ...Template.shape, id: Id, name: typedName })

/** A document that is kept, of a table that is there. */
export const addTemplate: EditKind<z.infer<typeof AddTemplate>> = {
  schema: AddTemplate,
  steps(book, { kind: _kind, id, table, ...typed }) {
    if (!findTable(book, table)) return fail({ kind: 'gone', what: 'table' })
    if (isTaken(book, id)) return fail({ kind: 'stale', what: 'This document' })
    if (book.templates.length >= limits.templates)
      return fail({ kind: 'too-many', what: 'document', limit: limits.templates })
    const parts = partsOf(book, id, typed)
    return parts.ok ? ok([putTemplate({ id, table, ...parts.value })]) : parts
  },
  say: (_book, { name }) => `Keep the document ${name}`,
}

const ChangeTemplate = z.strictObject({
  kind: z.literal('changeTemplate'),
  template: Id,
  /** As it is to be; what isn't in it is taken out. */
  to: z.strictObject({ ...Template.omit({ id: true, table: true }).shape, name: typedName }),
})

export const changeTemplate: EditKind<z.infer<typeof ChangeTemplate>> = {
  schema: ChangeTemplate,
  steps(book, { template: id, to }) {
    const template = findTemplate(book, id)
    if (!template) return gone
    const parts = partsOf(book, id, to)
    if (!parts.ok) return parts
    const { name, paper, letters, bare, window, labels, handed, mail, columns, blocks } = parts.value
    const all = { name, paper, letters, bare, window, labels, handed, mail, columns, blocks }
    return orNothing(setKeys(template, id, all))
  },
  say: (book, { template }) => `Change the document ${findTemplate(book, template)?.name ?? ''}`,
}

const RemoveTemplate = z.strictObject({ kind: z.literal('removeTemplate'), template: Id })

export const removeTemplate: EditKind<z.infer<typeof RemoveTemplate>> = {
  schema: RemoveTemplate,
  steps: (book, { template: id }) => (findTemplate(book, id) ? ok([dropPart(book, 'templates', id)]) : gone),
  say: (book, { template }) => `Remove the document ${findTemplate(book, template)?.name ?? ''}`,
}
