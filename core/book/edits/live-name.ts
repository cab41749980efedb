import * as z from 'zod'
import { liveNameHindrance } from '../../names'
import { fail } from '../../words'
import { setKeys } from '../build-steps'
import { findField, findTable, partName } from '../find'
import { type EditKind, Id, orNothing } from './edit-kind'

const NameLive = z.strictObject({
  kind: z.literal('nameLive'),
  /** A table or a field. */
  part: Id,
  /** Blank for the name that is derived from the one on screen. */
  name: z.string().max(200),
})

/** Chooses what a table or a field is called in the live database. */
export const nameLive: EditKind<z.infer<typeof NameLive>> = {
  schema: NameLive,
  steps(book, { part: id, name: typed }) {
    const found = findField(book, id)
    const part = found?.field ?? findTable(book, id)
    if (!part) return fail({ kind: 'gone', what: 'field' })
    const name = typed.trim()
    const others = (found ? found.table.fields : book.tables).filter((other) => other !== part)
    const taken = new Set(others.flatMap((other) => (other.liveName ? [other.liveName.toLowerCase()] : [])))
    const because = name === '' ? undefined : liveNameHindrance(name, taken)
    if (because) return fail({ kind: 'not-live-name', name, because })
    return orNothing(setKeys(part, id, { liveName: name || undefined }))
  },
  say: (book, { part, name }) =>
    name.trim()
      ? `Call ${partName(book, part)} ${name.trim()} in the database`
      : `Derive the name of ${partName(book, part)} in the database`,
}
