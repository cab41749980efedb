import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { SignOffSheet } from './sign-off-sheet'

export const metadata: Metadata = { title: 'Sign-off sheet' }

export default async function SheetPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <SignOffSheet />
}
