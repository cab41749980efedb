import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { LookSheet } from './look-sheet'

export const metadata: Metadata = { title: 'How forms look' }

/** One look for all forms of the book. */
export default async function LookPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <LookSheet />
}
