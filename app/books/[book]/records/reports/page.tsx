import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { ReportsIndex } from './reports-index'

export const metadata: Metadata = { title: 'Reports' }

export default async function ReportsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <ReportsIndex />
}
