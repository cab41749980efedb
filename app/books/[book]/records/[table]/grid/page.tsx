import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { recordsPage } from '../../records-page'
import { GridSheet } from './grid-sheet'

export const metadata: Metadata = { title: 'Grid' }

export default async function GridPage({ params }: { readonly params: Promise<{ book: string; table: string }> }) {
  const { book, table } = await params
  await bookPage(book, 'staff')
  await recordsPage(book, table)
  return <GridSheet key={table} tableId={table} />
}
