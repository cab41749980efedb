'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { type Advice, adviceKey, type Mend, seenOf } from '@/core/advice'
import { findField, type Edit } from '@/core/book'
import { Button, Dialog, Labelled, Note, TextBox, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { sayEdits } from './say-edits'

/** One piece of advice: why it matters, ways to mend it, shown before they are done, or dismissing it with a reason. */
export function AdviceNote({
  advice,
  dismissed,
}: {
  readonly advice: Advice
  readonly dismissed?: string | undefined
}) {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  const [mending, setMending] = useState<{ mend: Mend; edits: readonly Edit[] }>()
  const [dismissing, setDismissing] = useState(false)
  const [why, setWhy] = useState('')
  const field = findField(book, advice.about)
  const show = () =>
    router.push(
      `/books/${id}/workshop/${field ? `tables?table=${field.table.id}&field=${field.field.id}` : `tables?table=${advice.about}`}`,
    )
  const carryOut = (edits: readonly Edit[], say: string) => {
    setMending(undefined)
    const [first] = edits
    if (edits.length === 1 && first) edit(first)
    else edit({ kind: 'together', say: say.slice(0, 300), edits: [...edits] })
  }
  const name = advice.head.slice(0, 290)
  return (
    <>
      <Note
        mark={dismissed !== undefined ? 'info' : advice.weight === 'must-settle' ? 'settle' : 'look'}
        head={advice.head}
        actions={
          <>
            {dismissed === undefined &&
              (advice.mends ?? []).map((mend) => (
                <WordButton key={mend.say} onClick={() => setMending({ mend, edits: mend.edits(freshId) })}>
                  {mend.say}
                </WordButton>
              ))}
            <WordButton onClick={show} aria-label={`Show me: ${advice.head}`}>
              Show me
            </WordButton>
            {dismissed === undefined ? (
              <WordButton onClick={() => setDismissing(true)} aria-label={`Ignore: ${advice.head}`}>
                Ignore
              </WordButton>
            ) : (
              <WordButton onClick={() => edit({ kind: 'wantAgain', what: adviceKey(advice), name })}>
                Restore
              </WordButton>
            )}
          </>
        }
      >
        {advice.text}
        {dismissed && <span className="block">Ignored: {dismissed}</span>}
      </Note>
      {mending && (
        <Dialog
          open
          onClose={() => setMending(undefined)}
          title={`${mending.mend.say}?`}
          say="This will be done. One undo reverses all of it."
          actions={
            <>
              <Button onClick={() => setMending(undefined)}>Cancel</Button>
              <Button look="main" onClick={() => carryOut(mending.edits, `${mending.mend.say}: ${advice.head}`)}>
                {mending.mend.say}
              </Button>
            </>
          }
        >
          <ol className="mt-3 list-decimal pl-5">
            {sayEdits(book, mending.edits).map((words, at) => (
              <li key={at}>{words}</li>
            ))}
          </ol>
        </Dialog>
      )}
      {dismissing && (
        <Dialog
          open
          onClose={() => setDismissing(false)}
          title="Ignore this advice?"
          say="It is kept in the book with your reason, and comes back if what it is about changes."
          actions={
            <>
              <Button onClick={() => setDismissing(false)}>Cancel</Button>
              <Button
                look="main"
                onClick={() => {
                  setDismissing(false)
                  edit({
                    kind: 'dismiss',
                    id: freshId(),
                    what: adviceKey(advice),
                    name,
                    seen: seenOf(book, advice),
                    ...(why.trim() && { why: why.trim() }),
                  })
                }}
              >
                Ignore it
              </Button>
            </>
          }
        >
          <div className="mt-3">
            <Labelled label="Why no change is needed" htmlFor="dismiss-why">
              <TextBox id="dismiss-why" value={why} maxLength={300} onChange={(event) => setWhy(event.target.value)} />
            </Labelled>
          </div>
        </Dialog>
      )}
    </>
  )
}
