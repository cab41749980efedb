import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bookPage } from '@/app/door'
import { findTemplate } from '@/core/book'
import { OneDocument } from '../one-document'

export const metadata: Metadata = { title: 'Document' }

interface Props {
  readonly params: Promise<{ book: string; document: string }>
}

export default async function DocumentPage({ params }: Props) {
  const { book, document } = await params
  const { stored } = await bookPage(book, 'reader')
  const template = findTemplate(stored.book, document)
  if (!template) notFound()
  return <OneDocument key={document} template={template} />
}
