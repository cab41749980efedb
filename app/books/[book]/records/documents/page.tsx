import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { DocumentsIndex } from './documents-index'

export const metadata: Metadata = { title: 'Documents' }

export default async function DocumentsPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <DocumentsIndex />
}
