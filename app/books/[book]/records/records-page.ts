import { notFound } from 'next/navigation'
import { type AtBook, bookPage } from '@/app/door'
import { findTable } from '@/core/book'
import type { Role } from '@/server/catalogue'
import { type Live, openedBook } from '@/server/live'

/** For Records’ pages: the live book, and the table one asked for if it is there. */
export async function recordsPage(
  book: string,
  table: string,
  asked: Role = 'reader',
): Promise<AtBook & { live: Live }> {
  const at = await bookPage(book, asked)
  const live = await openedBook(at.db, at.stored)
  if (!live.ok || !findTable(live.value.book, table)) notFound()
  return { ...at, live: live.value }
}
