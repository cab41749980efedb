import { type Book, type Field, linkOf } from '@/core/book'

interface Name {
  /** The link whose cells have the words. */
  readonly field: Field
  readonly words: string
}

interface NamedRecord {
  readonly ref: string
  readonly label: string
}

export interface NamesFound {
  /** The one record that words in a link name, where they name one. */
  readonly named: (field: string, words: string) => NamedRecord | undefined
  /** So many names couldn't be looked for. */
  readonly unasked: number
}

const longest = 2000
const placeOf = (field: string, words: string) => `${field} ${words}`

/** What words in links name, all names of a table asked at once. */
export async function findNames(base: string, book: Book, names: readonly Name[]): Promise<NamesFound> {
  const byTable = new Map<string, Name[]>()
  for (const name of names) {
    const { one } = linkOf(book, name.field.id)
    byTable.set(one, [...(byTable.get(one) ?? []), name])
  }
  const found = new Map<string, NamedRecord>()
  let unasked = 0
  for (const [table, ofTable] of byTable) {
    const named = await ask(`${base}/${table}/named`, [...new Set(ofTable.map(({ words }) => words.slice(0, longest)))])
    if (!named) unasked += ofTable.length
    for (const { field, words } of ofTable) {
      // Somebody may be called “constructor”.
      const record = named && Object.hasOwn(named, words) && named[words]
      if (record) found.set(placeOf(field.id, words), record)
    }
  }
  return { named: (field, words) => found.get(placeOf(field, words)), unasked }
}

/** Nothing where nobody answers. */
async function ask(address: string, names: readonly string[]): Promise<Record<string, NamedRecord> | undefined> {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ names }),
  }).catch(() => undefined)
  if (!answer?.ok) return undefined
  const said = (await answer.json().catch(() => undefined)) as { named: Record<string, NamedRecord> } | undefined
  return said?.named
}
