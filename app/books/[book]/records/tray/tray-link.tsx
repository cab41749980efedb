'use client'

import { Inbox } from 'lucide-react'
import Link from 'next/link'
import { counted } from '@/core/words'
import { useRecords } from '../records-context'
import { useTray, useTrayNews } from './use-tray'

/** The way to the tray, with how much is in it; nothing where nothing is. */
export function TrayLink() {
  const { base } = useRecords()
  const files = useTray()
  useTrayNews(files)
  if (files.length === 0) return null
  const making = files.filter(({ state }) => state === 'making').length
  const said = `Tray: ${counted(files.length, 'file')}${making > 0 ? `, ${making} being made` : ''}`
  return (
    <Link
      href={`${base}/tray`}
      aria-label={said}
      title={said}
      className="flex min-h-7 items-center gap-1.5 rounded-md bg-soot-2 px-2.5 max-sm:gap-1 max-sm:px-1.5"
    >
      <Inbox size={16} aria-hidden />
      <span className="tabular-nums">{files.length}</span>
      {making > 0 && <span aria-hidden className="size-2 animate-pulse rounded-full bg-bright-brass" />}
    </Link>
  )
}
