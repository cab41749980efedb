'use client'

import Link from 'next/link'
import { useEffect, useRef, useState } from 'react'
import { answered, told } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { OpeningSheet } from '@/server/live'
import { Button, Empty, Note, WordButton } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { askOpening, openNow } from '../actions'
import { useWorkshop } from '../workshop-context'
import { OpeningSteps } from './opening-steps'

const heads = {
  first: 'This will be made',
  afresh: 'This will be made again',
  change: 'This will change',
  nothing: 'Nothing has changed since the book was opened',
}
const says = {
  first: 'A database of its own, on your server. Other tools that read MariaDB will find it well made.',
  afresh: 'There are no records yet, so the database is simply built again from the design.',
  change: 'The records stay. Each step can be undone if one fails. Whoever saves meanwhile waits until it is done.',
  losing:
    'All other records stay. What you agreed to remove goes last, and can’t be undone. Whoever saves meanwhile waits until it is done.',
  nothing: 'Staff work with the design as it stands.',
}

/** The last chapter: shows what opening will make or change, and does it. */
export function OpenChapter() {
  const { id, revision, opened, setOpened } = useWorkshop()
  const [sheet, setSheet] = useState<OpeningSheet>()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const [done, setDone] = useState(false)
  const [agreed, setAgreed] = useState<ReadonlyMap<string, number>>(new Map())
  const [look, setLook] = useState(0)
  const head = useRef<HTMLHeadingElement>(null)

  useEffect(() => {
    let ended = false
    void told(askOpening(id, null)).then((result) => {
      if (ended) return
      if (result.ok) setSheet(result.value)
      else setProblem(wordProblem(result.problem))
    })
    return () => {
      ended = true
    }
  }, [id, revision, done, look])
  useEffect(() => {
    // What stood in the way may have been put right in another window meanwhile.
    const again = () => setLook((times) => times + 1)
    window.addEventListener('focus', again)
    return () => window.removeEventListener('focus', again)
  }, [])

  const open = async () => {
    setBusy(true)
    setProblem(undefined)
    const result = await answered(openNow(id, { agreed: [...agreed].map(([lost, most]) => ({ id: lost, most })) }))
    setBusy(false)
    if (!result.ok) return setProblem(wordProblem(result.problem))
    if (result.value.blocked.length > 0) return setSheet(result.value)
    setAgreed(new Map())
    setOpened({ everOpened: true, revision })
    setDone(true)
    // The button that was pressed is gone now.
    head.current?.focus()
  }
  const losses = sheet?.losses ?? []
  // Of more records than were told then it is agreed to no more.
  const isAgreed = ({ id: lost, count }: OpeningSheet['losses'][number]) => count <= (agreed.get(lost) ?? -1)
  const blocked = (sheet?.blocked ?? []).filter((words) => !losses.some((loss) => loss.words === words))
  const isOpen = blocked.length > 0 || losses.some((loss) => !isAgreed(loss))
  const can = sheet && sheet.kind !== 'nothing' && !isOpen
  return (
    <Room
      margin={
        <>
          <Note
            mark={opened.everOpened ? 'fine' : 'info'}
            head={opened.everOpened ? 'The book is open' : 'Not opened yet'}
            actions={opened.everOpened && <ToRecords id={id} />}
          >
            {opened.everOpened
              ? 'Staff can enter records.'
              : 'Opening builds the real database. You can go on designing afterwards.'}
          </Note>
          <Note mark="info" head="How text compares">
            Capital and small letters count as the same (“Oak” is “oak”), accents do not (“Café” is not “Cafe”).
          </Note>
          <Note mark="info" head="Nothing is half done">
            If the power fails in the middle, the opening is finished, or put back, as soon as somebody needs the book.
          </Note>
        </>
      }
    >
      <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 ref={head} tabIndex={-1} className="text-[22px] leading-tight outline-none">
            {sheet ? heads[sheet.kind] : 'Open'}
          </h1>
          <p className="mt-1 max-w-[64ch] text-ash-6">
            {sheet ? says[losses.some(isAgreed) ? 'losing' : sheet.kind] : 'Looking at the design and the records …'}
          </p>
        </div>
        {sheet?.kind !== 'nothing' && (
          <Button look="main" disabled={!can || busy} onClick={() => void open()}>
            {busy ? 'Opening …' : opened.everOpened ? 'Open with these changes' : 'Open the book'}
          </Button>
        )}
      </div>
      <div role="status">
        {done && sheet?.kind === 'nothing' && (
          <Note mark="fine" head="The book is open" actions={<ToRecords id={id} />}>
            Go to Records and enter the first record, or hand it to staff in Office.
          </Note>
        )}
        {problem && <Note mark="settle" head={problem} />}
      </div>
      {(blocked.length > 0 || losses.length > 0) && (
        <section aria-label="In the way" className="mb-5 flex max-w-[720px] flex-col gap-2">
          {blocked.map((words) => (
            <Note key={words} mark="settle" head={words} />
          ))}
          {losses.map((loss) => (
            <LossNote
              key={loss.id}
              loss={loss}
              isAgreed={isAgreed(loss)}
              onAgree={(yes) => {
                const rest = [...agreed].filter(([lost]) => lost !== loss.id)
                setAgreed(new Map(yes ? [...rest, [loss.id, loss.count]] : rest))
              }}
            />
          ))}
          {isOpen && (
            <p>
              <WordButton onClick={() => setLook(look + 1)}>Look at the records again</WordButton>
            </p>
          )}
        </section>
      )}
      {sheet && !isOpen && sheet.steps.length > 0 && <OpeningSteps steps={sheet.steps} />}
      {sheet && sheet.kind === 'nothing' && !done && (
        <Empty head="All as opened">
          Change something in the design, and the change will be shown here before it is made.
        </Empty>
      )}
    </Room>
  )
}

interface LossProps {
  readonly loss: OpeningSheet['losses'][number]
  readonly isAgreed: boolean
  readonly onAgree: (yes: boolean) => void
}

/** Values that go for good, if that is agreed to. */
const LossNote = ({ loss, isAgreed, onAgree }: LossProps) => (
  <Note
    mark={isAgreed ? 'look' : 'settle'}
    head={loss.words}
    actions={
      isAgreed ? (
        <WordButton onClick={() => onAgree(false)}>Keep them after all</WordButton>
      ) : (
        <WordButton onClick={() => onAgree(true)}>Remove them for good</WordButton>
      )
    }
  >
    {isAgreed && 'This is removed for good when the book is opened.'}
  </Note>
)

const ToRecords = ({ id }: { readonly id: string }) => (
  <Link
    href={`/books/${id}/records`}
    className="inline-flex min-h-7 items-center px-1 font-semibold text-spruce underline underline-offset-2"
  >
    Go to Records
  </Link>
)
