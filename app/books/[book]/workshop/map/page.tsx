import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { MapChapter } from './map-chapter'

export const metadata: Metadata = { title: 'Map' }

export default async function MapPage({ params }: { readonly params: Promise<{ book: string }> }) {
  await bookPage((await params).book, 'administrator')
  return <MapChapter />
}
