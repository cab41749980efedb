import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { mailCounts, newestMails } from '@/server/post'
import { SentIndex } from './sent-index'

export const metadata: Metadata = { title: 'E-mails' }

interface Props {
  readonly params: Promise<{ book: string }>
  readonly searchParams: Promise<{ find?: string | string[] }>
}

export default async function SentPage({ params, searchParams }: Props) {
  const { db, stored } = await bookPage((await params).book, 'reader')
  const { find } = await searchParams
  const words = typeof find === 'string' ? find.slice(0, 100) : ''
  const [mails, counts] = await Promise.all([newestMails(db, stored.id, words), mailCounts(db, stored.id)])
  return <SentIndex mails={mails} counts={counts} find={words} />
}
