import type { Metadata } from 'next'
import { deskPage } from '../../desk-page'
import { RecordPage } from '../record-page'

export const metadata: Metadata = { title: 'New record' }

export default async function NewRecordPage({ params }: { readonly params: Promise<{ book: string; table: string }> }) {
  const { book, table } = await params
  await deskPage(book, table, 'staff')
  return <RecordPage key={table} tableId={table} stored={undefined} />
}
