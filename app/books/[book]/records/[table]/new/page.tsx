import type { Metadata } from 'next'
import { readRecord } from '@/server/live'
import { recordsPage } from '../../records-page'
import { RecordPage } from '../record-page'

export const metadata: Metadata = { title: 'New record' }

interface Props {
  readonly params: Promise<{ book: string; table: string }>
  readonly searchParams: Promise<{ copy?: string | string[] }>
}

export default async function NewRecordPage({ params, searchParams }: Props) {
  const [{ book, table }, { copy }] = await Promise.all([params, searchParams])
  const { db, live } = await recordsPage(book, table, 'staff')
  const copied = typeof copy === 'string' ? await readRecord({ db, live }, table, copy) : undefined
  return (
    <RecordPage
      key={`${table} ${String(copy)}`}
      tableId={table}
      stored={undefined}
      {...(copied?.ok && { copied: copied.value })}
    />
  )
}
