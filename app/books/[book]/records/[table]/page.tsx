import type { Metadata } from 'next'
import { recordsPage } from '../records-page'
import { TableList } from './table-list'

export const metadata: Metadata = { title: 'List' }

export default async function TablePage({ params }: { readonly params: Promise<{ book: string; table: string }> }) {
  const { book, table } = await params
  await recordsPage(book, table)
  return <TableList key={table} tableId={table} />
}
