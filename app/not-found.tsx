import type { Metadata } from 'next'
import Link from 'next/link'
import { Threshold } from '@/ui/shell/threshold'

export const metadata: Metadata = { title: 'Nothing here' }

export default function NotFoundPage() {
  return (
    <Threshold
      head="There is nothing here"
      say="There is nothing at this address, or it is a book that is not shared with you. Its administrator can give you access."
    >
      <Link href="/books" className="text-spruce underline">
        To your record books
      </Link>
    </Threshold>
  )
}
