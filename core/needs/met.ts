import type { Book, Need } from '../book'

/** A need with the number it goes by. */
export interface NumberedNeed {
  readonly number: number
  readonly need: Need
}

export const numberedNeeds = (book: Book): NumberedNeed[] => book.needs.map((need, at) => ({ number: at + 1, need }))

/** The needs that a part meets; for a table also those that its fields and the links they carry meet. */
export function needsMetBy(book: Book, partId: string): NumberedNeed[] {
  const table = book.tables.find((candidate) => candidate.id === partId)
  const parts = new Set([partId, ...(table?.fields.map((field) => field.id) ?? [])])
  for (const link of book.links) if (parts.has(link.field)) parts.add(link.id)
  return numberedNeeds(book).filter(({ need }) => need.metBy.some((id) => parts.has(id)))
}
