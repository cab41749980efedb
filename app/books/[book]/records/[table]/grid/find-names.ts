import { type Book, linkOf } from '@/core/book'
import type { CellText, OpenName } from '@/core/grid'

const longest = 2000

/** What words in links name, by the link's field and the words; nothing of a table that couldn't be asked. */
export async function findNames(base: string, book: Book, open: readonly OpenName[]) {
  const byTable = new Map<string, OpenName[]>()
  for (const name of open) {
    const { one } = linkOf(book, name.field.id)
    byTable.set(one, [...(byTable.get(one) ?? []), name])
  }
  const found = new Map<string, CellText>()
  let unasked = 0
  for (const [table, names] of byTable) {
    const answer = await fetch(`${base}/${table}/named`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ names: [...new Set(names.map(({ words }) => words.slice(0, longest)))] }),
    }).catch(() => undefined)
    const said = answer?.ok
      ? ((await answer.json().catch(() => undefined)) as
          { named: Record<string, { ref: string; label: string }> } | undefined)
      : undefined
    if (!said) unasked += names.length
    for (const { field, words } of said ? names : []) {
      const record = said?.named[words]
      if (record) found.set(nameAt(field.id, words), { text: record.ref, label: record.label })
    }
  }
  return { named: (field: string, words: string) => found.get(nameAt(field, words)), unasked }
}

const nameAt = (field: string, words: string) => `${field} ${words}`
