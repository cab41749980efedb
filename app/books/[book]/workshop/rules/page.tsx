import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { RulesChapter } from './rules-chapter'

export const metadata: Metadata = { title: 'Rules' }

export default async function RulesPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <RulesChapter />
}
