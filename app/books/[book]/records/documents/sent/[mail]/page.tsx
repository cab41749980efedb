import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { findMail } from '@/server/post'
import { senderOf } from '../../sender-of'
import { SentMail } from '../sent-mail'

export const metadata: Metadata = { title: 'E-mail' }

interface Props {
  readonly params: Promise<{ book: string; mail: string }>
}

export default async function SentMailPage({ params }: Props) {
  const { book, mail: id } = await params
  const { db, stored } = await bookPage(book, 'reader')
  const mail = await findMail(db, stored.id, id)
  if (!mail) notFound()
  return <SentMail key={id} mail={mail} sender={await senderOf(db, stored.id)} />
}
