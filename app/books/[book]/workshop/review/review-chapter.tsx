'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { adviceKey, adviceOn, allAdviceOn } from '@/core/advice'
import { askingOrder } from '@/core/pairings'
import { numberedNeeds } from '@/core/needs'
import { counted } from '@/core/words'
import { Button, Empty, Note, WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWorkshop } from '../workshop-context'
import { AdviceNote } from './advice-note'
import { AskedOfRecords } from './asked-of-records'
import { DryRun } from './dry-run'

/** The sixth chapter: what a careful designer would still say before the book is opened. */
export function ReviewChapter({ dryRun }: { readonly dryRun: string | undefined }) {
  const { id, book, proposals, coverage } = useWorkshop()
  const router = useRouter()
  const advice = adviceOn(book)
  const unmet = coverage ? numberedNeeds(book).filter((_need, at) => coverage[at]?.state !== 'met') : []
  const pairs = askingOrder(book).ask.length
  const settle = advice.filter((piece) => piece.weight === 'must-settle')
  const go = (to: string) => router.push(`/books/${id}/workshop/${to}`)
  const dismissed = allAdviceOn(book).filter((piece) => !advice.includes(piece))
  const [showDismissed, setShowDismissed] = useState(false)
  const ready = settle.length === 0 && book.tables.length > 0
  return (
    <Room
      margin={
        ready ? (
          <Note mark="fine" head="Ready to open">
            Nothing has to be settled first.
          </Note>
        ) : (
          <Note
            mark="settle"
            head={book.tables.length === 0 ? 'No tables yet' : `${counted(settle.length, 'problem')} to settle first`}
          />
        )
      }
    >
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="text-[22px] leading-tight">Review</h1>
          <p className="mt-1 text-ash-6">What a careful designer would say, weightiest first.</p>
        </div>
        <Button look={ready ? 'main' : 'plain'} onClick={() => go('open')}>
          Go on to Open
        </Button>
      </div>
      <div className="flex max-w-[720px] flex-col gap-2.5">
        {advice.map((piece) => (
          <AdviceNote key={piece.piece + piece.about} advice={piece} />
        ))}
        {unmet.length > 0 && (
          <Note
            mark="look"
            head={`${counted(unmet.length, 'need')} not wholly met yet`}
            actions={<WordButton onClick={() => go('needs')}>Go to Needs</WordButton>}
          >
            <ul>
              {unmet.slice(0, 5).map(({ number, need }) => (
                <li key={need.id}>
                  {number}. {need.text}
                </li>
              ))}
            </ul>
          </Note>
        )}
        {pairs > 0 && (
          <Note
            mark="look"
            head={`${counted(pairs, 'pair')} not answered`}
            actions={<WordButton onClick={() => go('pairings?next')}>Answer the next</WordButton>}
          >
            Each pair of tables wants an answer, even if it is “no direct link”.
          </Note>
        )}
        {advice.length === 0 && coverage && unmet.length === 0 && pairs === 0 && book.tables.length > 0 && (
          <Empty head="Nothing to say against it">
            Every need is met, every pair answered. The book can be opened.
          </Empty>
        )}
        {book.tables.length === 0 && (
          <Empty head="There is nothing to review yet">
            Make the first tables, then look here for what could still go wrong.
          </Empty>
        )}
        {dismissed.length > 0 && (
          <div>
            <WordButton onClick={() => setShowDismissed(!showDismissed)} aria-expanded={showDismissed}>
              {showDismissed ? 'Hide what was ignored' : `Show ${counted(dismissed.length, 'piece')} of advice ignored`}
            </WordButton>
          </div>
        )}
        {showDismissed &&
          dismissed.map((piece) => (
            <AdviceNote
              key={piece.piece + piece.about}
              advice={piece}
              dismissed={book.dismissed.find((one) => one.what === adviceKey(piece))?.why ?? 'no reason was given'}
            />
          ))}
        {proposals && book.tables.length > 0 && <AskedOfRecords proposals={proposals} />}
        {book.tables.length > 0 && <DryRun left={dryRun} />}
      </div>
    </Room>
  )
}
