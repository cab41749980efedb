import { toast } from 'sonner'
import type { Table } from '@/core/book'
import { likeliest } from '@/core/lists'
import type { ListRow } from '@/core/records'
import { inSentence } from '@/core/words'
import type { LinkOption, LinkSource } from '@/ui/controls'
import { lately } from './lately'

/** How records of a table are found by what they are known by, the likeliest first; nothing where there was no answer. */
export async function searchLinked(
  base: string,
  bookId: string,
  target: Table,
  words: string,
): Promise<readonly LinkOption[] | undefined> {
  const answer = await fetch(`${base}/${target.id}/pick?${new URLSearchParams({ find: words.trim() })}`).catch(
    () => undefined,
  )
  if (!answer?.ok) return undefined
  const { rows } = (await answer.json()) as { rows: ListRow[] }
  const found = rows.map(({ ref, label }) => ({ ref, label }))
  return likeliest(found, words, lately(bookId, target.id))
}

/** Says that what was typed is the name of no record, or couldn't be looked for. */
export const sayMissed =
  (target: Table): LinkSource['onMiss'] =>
  (words, why) =>
    void toast(
      why === 'unfit'
        ? `“${words}” is not the name of one ${inSentence(target.name)}. Choose it from the list.`
        : `“${words}” couldn’t be looked for: Hearth Table doesn’t answer. Try again in a moment.`,
    )
