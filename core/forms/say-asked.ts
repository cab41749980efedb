import { type Book, type FormPart, tableOf } from '../book'
import { recheckStored } from '../expressions'
import { sayTruth } from '../rules'
import { type Asking, askedOf } from './part-conditions'

/** When something is asked of a part, in words: "always", or "when State is “agreed”". Undefined where it isn't asked. */
export function sayAsked(book: Book, tableId: string, part: FormPart, asks: Asking): string | undefined {
  const kept = askedOf(part, asks)
  if (kept === undefined) return undefined
  if (kept === true) return 'always'
  const table = tableOf(book, tableId)
  const read = recheckStored(book, table, kept)
  return 'problem' in read ? 'when something that is gone' : `when ${sayTruth(book, table, read.tree)}`
}
