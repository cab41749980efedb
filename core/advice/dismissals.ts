import { type Book, findField, findLink, findTable } from '../book'
import type { Advice } from './piece'

/** The name under which a piece of advice is dismissed. */
export const adviceKey = ({ piece, about }: Advice) => `advice/${piece}/${about}`

/** A short mark of what the part it is about is like, so that it is spoken of again once that changes. */
export function seenOf(book: Book, { about, head }: Advice): string {
  const part = findTable(book, about) ?? findField(book, about)?.field ?? findLink(book, about)
  const table = findTable(book, about)
  // Where a card was put on the map changes nothing about the table.
  const { spot: _spot, ...rest } = table ?? { spot: undefined }
  return hash(JSON.stringify([table ? rest : part, head]))
}

/** Fowler, Noll and Vo's hash, 32 bits, as eight figures. */
function hash(text: string): string {
  let value = 0x811c9dc5
  for (let at = 0; at < text.length; at++) value = Math.imul(value ^ text.charCodeAt(at), 0x01000193)
  return (value >>> 0).toString(16).padStart(8, '0')
}

export function isDismissed(book: Book, advice: Advice): boolean {
  if (book.dismissed.length === 0) return false
  const dismissed = book.dismissed.find((one) => one.what === adviceKey(advice))
  return dismissed !== undefined && (dismissed.seen === undefined || dismissed.seen === seenOf(book, advice))
}
