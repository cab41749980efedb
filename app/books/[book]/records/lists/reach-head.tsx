'use client'

import { ChevronDown, ChevronRight } from 'lucide-react'
import type { Book, Table, Way } from '@/core/book'
import { isSeveral, mayBeNone } from '@/core/lists'
import { aOrAn, inSentence } from '@/core/words'
import { useRecords } from '../records-context'

interface Props {
  readonly name: string
  /** How many stretches it is from where one begins. */
  readonly depth: number
  readonly way: Way
  /** How many ways lead to the same table from there. */
  readonly among: number
  readonly to: Table
  readonly open: boolean
  readonly onToggle: () => void
  /** How many of its fields are taken, told while it is folded. */
  readonly count?: number
}

/** What some fields in reach belong to, and how many there are of it; pressed, it folds or unfolds. */
export function ReachHead({ name, depth, way, among, to, open, onToggle, count = 0 }: Props) {
  const { book } = useRecords()
  return (
    <h3 className="text-[13px]">
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="flex min-h-7 w-full items-center gap-1 rounded-sm text-left hover:bg-ash-3"
      >
        {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
        <span className="min-w-0 flex-1">
          <b className="font-semibold">{depth === 0 ? name : `its ${name}`}</b>
          {depth > 0 && <span className="font-normal text-ash-6"> · {howMany(book, way)}</span>}
          {/* Which of several ways is meant must be told. */}
          {among > 1 && (
            <span className="block text-xs font-normal text-ash-6">
              one of {among} ways to {aOrAn(inSentence(to.name))}
            </span>
          )}
        </span>
        {!open && count > 0 && <span className="text-ash-6">{count}</span>}
      </button>
    </h3>
  )
}

const howMany = (book: Book, way: Way) =>
  isSeveral(book, way) ? 'several' : mayBeNone(book, way) ? 'one or none' : 'one'
