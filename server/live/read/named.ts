import { type ListRow, keyOfRef } from '@/core/records'
import { looseForm } from '@/core/words'
import type { Reads } from '../unit'
import { findToPick } from './picking'
import { readList } from './rows'

/** So many names are looked for one by one; for more, and for those that too many have in them, all are gone through once. */
const fewNames = 12
const page = 2000
const likely = 20

/** The one record that each name is the name of: of none, or of several, nothing is said. */
export type Named = ReadonlyMap<string, Pick<ListRow, 'ref' | 'label'>>

/**
 * Finds which records are meant by what people know them by, or by their number, but for blanks and capitals. Nothing
 * is guessed: a name that several records go by names none.
 */
export async function namedRecords(reads: Reads, table: string, names: readonly string[]): Promise<Named> {
  const wanted = new Map<string, { readonly ref: string; readonly label: string }[]>()
  for (const name of names) wanted.set(looseForm(name), [])
  const look = ({ ref, label }: Pick<ListRow, 'ref' | 'label'>) => {
    for (const words of new Set([label, ...(keyOfRef(ref, 1) ?? [])].map(looseForm)))
      wanted.get(words)?.push({ ref, label })
  }
  const few = wanted.size <= fewNames ? await lookOneByOne(reads, table, names) : undefined
  if (few) few.forEach(look)
  else await lookThrough(reads, table, look)
  return new Map(
    names.flatMap((name) => {
      const [only, ...others] = wanted.get(looseForm(name)) ?? []
      return only && others.length === 0 ? [[name, only] as const] : []
    }),
  )
}

/** All records that have the names in them; nothing where there may be more of them than were looked at. */
async function lookOneByOne(reads: Reads, table: string, names: readonly string[]) {
  const found = new Map<string, ListRow>()
  for (const name of names) {
    const rows = await findToPick(reads, table, name, likely)
    if (rows.length >= likely) return undefined
    for (const row of rows) found.set(row.ref, row)
  }
  return [...found.values()]
}

async function lookThrough(reads: Reads, table: string, look: (row: ListRow) => void) {
  for (let after: ListRow['cursor'] | undefined, more = true; more;) {
    const read = await readList(reads, { table, fields: [], limit: page, ...(after && { after }) })
    for (const row of read.rows) look(row)
    after = read.rows.at(-1)?.cursor
    more = read.more && after !== undefined
  }
}
