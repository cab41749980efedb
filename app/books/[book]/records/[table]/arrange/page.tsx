import type { Metadata } from 'next'
import { findForm } from '@/core/book'
import { readList, readRecord } from '@/server/live'
import { ArrangeSheet } from '../../arrange/arrange-sheet'
import { recordsPage } from '../../records-page'

export const metadata: Metadata = { title: 'Arrange a form' }

interface Props {
  readonly params: Promise<{ book: string; table: string }>
  readonly searchParams: Promise<{ form?: string | string[]; record?: string | string[] }>
}

/** The form of a table while it is arranged, with a record in it: the one asked for, or the newest. */
export default async function ArrangePage({ params, searchParams }: Props) {
  const [{ book, table }, { form, record }] = await Promise.all([params, searchParams])
  const { db, live, stored } = await recordsPage(book, table, 'administrator')
  const ref = typeof record === 'string' ? record : undefined
  const [first] = ref === undefined ? (await readList({ db, live }, { table, limit: 1 })).rows : []
  const shown = ref ?? first?.ref
  const found = shown === undefined ? undefined : await readRecord({ db, live }, table, shown)
  const kept = typeof form === 'string' ? findForm(stored.book, form) : undefined
  return (
    <ArrangeSheet
      key={`${table} ${kept?.id ?? String(form)}`}
      tableId={table}
      kept={kept?.table === table ? kept : undefined}
      stored={found?.ok ? found.value : undefined}
    />
  )
}
