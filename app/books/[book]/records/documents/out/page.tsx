import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { OutSheet } from '../out-sheet'

export const metadata: Metadata = { title: 'Hand out' }

export default async function HandOutPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'reader')
  return <OutSheet />
}
