import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { FromForm } from './from-form'

export const metadata: Metadata = { title: 'From a form' }

export default async function FormPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <FromForm />
}
