import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { KitSheet } from './kit-sheet'

export const metadata: Metadata = { title: 'Kit' }
// Whether it is shown is asked of the machine it runs on, not of the one it was built on.
export const dynamic = 'force-dynamic'

/** Every part of the kit and every field's control in its states, for those who build; not there for anybody else. */
export default function KitPage() {
  if (process.env.NODE_ENV !== 'development' && process.env.HEARTH_KIT !== '1') notFound()
  return <KitSheet />
}
