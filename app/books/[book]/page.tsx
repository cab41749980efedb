import { redirect } from 'next/navigation'
import { bookPage } from '@/app/door'

/** A book opens where its reader works: the administrator at the design, everybody else in Records. */
export default async function BookHome({ params }: { readonly params: Promise<{ book: string }> }) {
  const { book } = await params
  const { role, stored } = await bookPage(book, 'reader')
  redirect(`/books/${book}/${role === 'administrator' && !stored.opened ? 'workshop/needs' : 'records'}`)
}
