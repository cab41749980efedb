import type { Metadata } from 'next'
import { bookPage } from '@/app/door'
import { TrayFiles } from './tray-files'

export const metadata: Metadata = { title: 'Tray' }

interface Props {
  readonly params: Promise<{ book: string }>
}

export default async function TrayPage({ params }: Props) {
  await bookPage((await params).book, 'reader')
  return <TrayFiles />
}
