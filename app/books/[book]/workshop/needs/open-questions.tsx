'use client'

import { useRouter } from 'next/navigation'
import { type Proposals, settled } from '@/core/needs'
import { WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

const shownAtMost = 6

/** What the words leave open, asked in return; answered where the pair stands once both tables are there. */
export function OpenQuestions({
  proposals,
  cards,
}: {
  readonly proposals: Proposals
  readonly cards?: readonly string[]
}) {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  const open = proposals.reading.open.filter(({ about }) => !cards || about.every((name) => cards.includes(name)))
  if (open.length === 0) return null
  const tableId = (name: string) => book.tables.find((table) => table.name === name)?.id
  return (
    <div className="mt-3 border-t border-dashed border-ash-4 pt-3">
      <h3 className="text-[13px] font-bold">Your words leave this open</h3>
      <ul>
        {open.slice(0, shownAtMost).map(({ text, about }) => {
          const [a, b] = about.map(tableId)
          const to =
            a && b ? `pairings?pair=${a}~${b}&asked` : a && about.length === 1 ? `tables?table=${a}&next` : undefined
          return (
            <li key={text} className="flex min-h-8 items-center justify-between gap-2 text-ash-6">
              <span className="min-w-0">{text}</span>
              {to && (
                <span className="flex shrink-0 gap-x-2">
                  <WordButton onClick={() => router.push(`/books/${id}/workshop/${to}`)} aria-label={`Answer: ${text}`}>
                    Answer
                  </WordButton>
                  {about.length === 2 && (
                    <WordButton
                      onClick={() =>
                        edit({ kind: 'dismiss', id: freshId(), what: settled(text), name: `“${text}”`.slice(0, 300) })
                      }
                      aria-label={`No change needed: ${text}`}
                    >
                      No change needed
                    </WordButton>
                  )}
                </span>
              )}
            </li>
          )
        })}
      </ul>
      {open.length > shownAtMost && <p className="text-[13px] text-ash-6">and {open.length - shownAtMost} more</p>}
    </div>
  )
}
