'use client'

import { ChevronDown, ChevronUp } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { officeNow } from '@/app/office-now'
import { nameOf, readList } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { classNames, IconButton } from '@/ui/kit'
import { useKeys } from '@/ui/use-keys'
import { useRecords } from '../records-context'
import { sayCells } from './say-cell'
import type { Trail } from './trail'
import { useTrailLines } from './use-list-lines'

interface Props {
  readonly tableId: string
  readonly current: string | undefined
  readonly trail: Trail
}

/** The neighbours of a record as the list has them that it was opened from. */
export function ListRail({ tableId, current, trail }: Props) {
  const { book, base } = useRecords()
  const router = useRouter()
  const lines = useTrailLines(base, trail)
  const found = readList(book, trail.list, { given: trail.given, now: officeNow(), lists: book.lists })
  const columns = 'read' in found ? found.read.columns : []
  const all = lines.data?.pages.flatMap((page) => page.lines) ?? []
  const at = all.findIndex(({ ref }) => ref === current)
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = lines
  // On until the record at hand is among them, and one beyond it; but not through a list without end.
  const isShort = at < 0 ? all.length < mostSought : at === all.length - 1
  useEffect(() => {
    if (isShort && hasNextPage && !isFetchingNextPage) void fetchNextPage()
  }, [isShort, hasNextPage, isFetchingNextPage, fetchNextPage])
  const hrefOf = ({ ref }: ListLine) => `${base}/${tableId}/record/${encodeURIComponent(ref)}?by=list`
  const [previous, next] = at < 0 ? [] : [all[at - 1], all[at + 1]]
  const go = (line: ListLine | undefined) => line && router.push(hrefOf(line))
  useKeys({ 'Alt ArrowUp': () => go(previous), 'Alt ArrowDown': () => go(next) })
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' })
  }, [at])
  return (
    <>
      <div className="flex items-start gap-1 px-3.5 pb-2.5">
        <p className="min-w-0 flex-1 text-[13px] text-ash-6">
          As in the list
          <Link href={trail.back} className="block font-semibold text-spruce underline underline-offset-2">
            {nameOf(book, trail.list)}
          </Link>
        </p>
        <IconButton
          label="The one before (Alt ↑)"
          disabled={!previous}
          className="flex-none"
          onClick={() => go(previous)}
        >
          <ChevronUp size={16} aria-hidden />
        </IconButton>
        <IconButton label="The next one (Alt ↓)" disabled={!next} className="flex-none" onClick={() => go(next)}>
          <ChevronDown size={16} aria-hidden />
        </IconButton>
      </div>
      <ul ref={list}>
        {all.map((line) => {
          const [first, ...more] = sayCells(book, columns, line)
          return (
            <li key={line.ref}>
              <Link
                href={hrefOf(line)}
                prefetch={false}
                aria-current={line.ref === current ? 'true' : undefined}
                className={classNames(
                  'flex flex-col py-1.5 pr-3 text-left focus-visible:-outline-offset-2',
                  line.ref === current
                    ? 'ml-3.5 w-[calc(100%-14px)] rounded-l-lg border-l-[3px] border-spruce bg-paper pl-[9px] font-bold'
                    : 'w-full pl-[26px] hover:bg-ash-3',
                )}
              >
                <span className="w-full truncate text-[13px]">{first || line.ref}</span>
                <span className="w-full truncate text-[13px] font-normal text-ash-6">
                  {more.filter(Boolean).slice(0, 2).join(' · ')}
                </span>
              </Link>
            </li>
          )
        })}
      </ul>
      {lines.isError && <p className="px-[26px] text-[13px] text-ash-6">The list could not be read.</p>}
      {lines.isSuccess && at < 0 && !hasNextPage && (
        <p className="px-[26px] text-[13px] text-ash-6">This record is not in the list any more.</p>
      )}
    </>
  )
}

/** So many records are looked through for the one at hand. */
const mostSought = 1000
