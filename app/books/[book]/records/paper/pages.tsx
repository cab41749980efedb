'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef } from 'react'
import type { PagePart } from '@/core/reports'
import type { EditionNow } from '@/server/reports'
import { useRecords } from '../records-context'
import { PageDrawing, paper, tones } from './page-drawing'
import { usePage } from './use-edition'

interface Props {
  readonly edition: EditionNow
  readonly onSee: (page: number) => void
  readonly chosen?: PagePart | undefined
  /** None where nothing on a page is pressed. */
  readonly onChoose?: ((part: PagePart) => void) | undefined
  /** Lays the pages anew. */
  readonly onAgain: () => void
}

/** So wide a page is at the most, in pixels, and so much is between two. */
const widest = 760
const between = 20

/** The pages of an edition under each other; only those in sight are read. */
export function Pages({ edition, onSee, ...shared }: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const { pages, sheet } = edition
  const shape = sheet ? sheet.height / sheet.width : 1.414
  const heightOf = () => Math.min(widest, (frame.current?.clientWidth ?? widest) - 48) * shape + between
  const virtual = useVirtualizer({
    count: pages,
    getScrollElement: () => frame.current,
    estimateSize: heightOf,
    overscan: 1,
    paddingStart: between,
  })
  const seen = virtual.getVirtualItems()
  const middle = (frame.current?.scrollTop ?? 0) + (frame.current?.clientHeight ?? 0) / 2
  const here = seen.find(({ end }) => end > middle)?.index ?? 0
  useEffect(() => virtual.measure(), [virtual, shape])
  useEffect(() => onSee(here), [onSee, here])
  return (
    <div
      ref={frame}
      tabIndex={0}
      role="group"
      aria-label="Pages"
      className="min-h-0 flex-1 overflow-y-auto bg-ash-2 px-6 focus-visible:-outline-offset-2 max-md:px-2"
    >
      <div className="relative mx-auto" style={{ height: virtual.getTotalSize(), maxWidth: widest }}>
        {seen.map(({ index, start }) => (
          <div key={index} className="absolute inset-x-0" style={{ top: start }}>
            <OnePage edition={edition} at={index} {...shared} />
          </div>
        ))}
      </div>
    </div>
  )
}

function OnePage({
  edition: { id, pages, sheet, laid },
  at,
  chosen,
  onChoose,
  onAgain,
}: Omit<Props, 'onSee'> & { readonly at: number }) {
  const { base } = useRecords()
  const { data, isError } = usePage(base, id, at, laid ? pages : undefined)
  if (!sheet) return null
  if (data)
    return (
      <PageDrawing page={data} sheet={sheet} label={`Page ${at + 1} of ${pages}`} chosen={chosen} onChoose={onChoose} />
    )
  return (
    <div
      className="p-10 text-[13px] shadow-float"
      style={{ background: paper, color: tones.grey, aspectRatio: `${sheet.width} / ${sheet.height}` }}
    >
      {isError ? (
        <>
          This page is no longer there, or the connection was lost.{' '}
          <button type="button" onClick={onAgain} className="font-semibold underline">
            Lay them again
          </button>
        </>
      ) : (
        'Looking …'
      )}
    </div>
  )
}
