import { toast } from 'sonner'
import type { Book, Field } from '@/core/book'
import type { Now } from '@/core/kinds'
import { type Inset, insetLimit, pasteRows, type RowText } from '@/core/records'
import { counted, inSentence, sameJson } from '@/core/words'
import { freshId } from '@/ui/ids'
import { cellsOfText } from '../clipboard-cells'
import { countUnclear, findNamed, withNamed } from './link-pasted'

interface At {
  readonly base: string
  readonly book: Book
  readonly inset: Inset
  readonly columns: readonly Field[]
  readonly now: Now
  readonly cell: { readonly at: number; readonly field: string }
  readonly rowsNow: () => readonly RowText[]
  readonly put: (rows: readonly RowText[]) => void
  /** Marks what is wrong. */
  readonly check: () => Promise<unknown>
}

/** Puts a block of cells into the rows of a form, says what came of it, and takes it back when asked. */
export async function pasteBlock(text: string, at: At): Promise<void> {
  const { inset, cell, rowsNow, put } = at
  const cells = cellsOfText(text)
  const pasted = () => pasteRows({ ...at, rows: rowsNow(), at: cell.at, from: cell.field, cells, freshMark: freshId })
  const { named, unasked } = await findNamed(at.base, at.book, inset, pasted().rows)
  // All at once, on what stands there by now: each change of a form is looked at as a whole.
  const before = structuredClone(rowsNow())
  const found = pasted()
  put(withNamed(inset, found.rows, named))
  await at.check()
  const after = structuredClone(rowsNow())
  const takeBack = () =>
    sameJson(rowsNow(), after)
      ? put(before)
      : void toast('The rows were changed since, so nothing was taken back. Correct them by hand.')
  toast(sayPasted(inset, found, { unclear: countUnclear(inset, after), unasked }), {
    action: { label: 'Undo', onClick: takeBack },
  })
}

interface Left {
  readonly unclear: number
  readonly unasked: number
}

function sayPasted({ table }: Inset, { written, over, beyond }: ReturnType<typeof pasteRows>, left: Left): string {
  return [
    `${counted(written, inSentence(table.name))} pasted.`,
    ...(left.unclear > 0 ? [`${counted(left.unclear, 'link')} to be chosen from the list.`] : []),
    ...(left.unasked > 0
      ? [`${counted(left.unasked, 'name')} couldn’t be looked for: Hearth Table doesn’t answer.`]
      : []),
    ...(over > 0 ? [`${over.toLocaleString('en-GB')} had no room: a form shows ${insetLimit} of them.`] : []),
    ...(beyond > 0 ? [`${counted(beyond, 'column')} had no place.`] : []),
  ].join(' ')
}
