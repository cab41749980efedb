import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { StarterTables } from './starter-tables'

export const metadata: Metadata = { title: 'Starter tables' }

export default async function StarterPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <StarterTables />
}
