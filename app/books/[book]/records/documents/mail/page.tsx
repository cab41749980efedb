import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { senderOf } from '../sender-of'
import { MailSheet } from './mail-sheet'

export const metadata: Metadata = { title: 'E-mail' }

export default async function MailPage({ params }: { readonly params: Promise<{ book: string }> }) {
  const { db, stored } = await bookPage((await params).book, 'staff')
  return <MailSheet sender={await senderOf(db, stored.id)} />
}
