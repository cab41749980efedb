import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { newestPapers } from '@/server/reports'
import { HandedIndex } from './handed-index'

export const metadata: Metadata = { title: 'Handed out' }

interface Props {
  readonly params: Promise<{ book: string }>
  readonly searchParams: Promise<{ find?: string | string[] }>
}

export default async function HandedPage({ params, searchParams }: Props) {
  const { db, stored } = await bookPage((await params).book, 'reader')
  const { find } = await searchParams
  const words = typeof find === 'string' ? find.slice(0, 100) : ''
  return <HandedIndex papers={await newestPapers(db, stored.id, words)} find={words} />
}
