import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { NewDocument } from '../new-document'

export const metadata: Metadata = { title: 'New document' }

export default async function NewDocumentPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'staff')
  return <NewDocument />
}
