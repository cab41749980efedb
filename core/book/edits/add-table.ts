import * as z from 'zod'
import { fail, ok } from '../../words'
import type { Field, Table } from '../book'
import { limits } from '../limits'
import { putTable } from '../build-steps'
import { type EditKind, Id, numberName, readName, typedName } from './edit-kind'

const AddTable = z.strictObject({
  kind: z.literal('addTable'),
  id: Id,
  name: typedName,
  role: z.enum(['word-list']).optional(),
  /** The id for the key that the table starts with. */
  keyField: Id,
})

/**
 * A new table starts with a key, so that it can be linked to at once: a running number, or, for a
 * word list, the word itself.
 */
export const addTable: EditKind<z.infer<typeof AddTable>> = {
  schema: AddTable,
  steps(book, { id, name: typed, role, keyField }) {
    const name = readName(typed, 'table', book.tables)
    if (!name.ok) return name
    if (book.tables.length >= limits.tables) return fail({ kind: 'too-many', what: 'table', limit: limits.tables })
    const key: Field = role
      ? { id: keyField, name: name.value, kind: 'line', length: 60, must: true }
      : { id: keyField, name: numberName(name.value), kind: 'running', must: true }
    const table: Table = {
      id,
      name: name.value,
      fields: [key],
      key: [keyField],
      knownBy: [keyField],
      ...(role && { role }),
    }
    return ok([putTable(table)])
  },
  say: (_book, { name, role }) => (role ? `Add the word list ${name.trim()}` : `Add the table ${name.trim()}`),
}
