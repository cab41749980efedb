'use client'

import { useEffect, useState } from 'react'
import { toast } from 'sonner'
import { answered, told } from '@/app/answered'
import { tableOf } from '@/core/book'
import type { ListRow } from '@/core/records'
import { inSentence, listed, wordProblem } from '@/core/words'
import type { RemovalSheet } from '@/server/live'
import { Button, Dialog } from '@/ui/kit'
import { askRemoval, remove } from '../actions'
import { useRecords } from '../records-context'

interface Props {
  readonly tableId: string
  readonly row: ListRow
  readonly open: boolean
  readonly onClose: () => void
  readonly onRemoved: () => void
}

/** Says what goes with a record, or why it can't go, before anything happens. */
export function RemoveRecord({ tableId, row, open, onClose, onRemoved }: Props) {
  const { id, book } = useRecords()
  const [sheet, setSheet] = useState<RemovalSheet>()
  const [problem, setProblem] = useState<string>()
  const noun = inSentence(tableOf(book, tableId).name)
  const one = { table: tableId, ref: row.ref, rev: row.rev }

  useEffect(() => {
    if (!open) return
    let ended = false
    void told(askRemoval(id, { table: tableId, ref: row.ref, rev: row.rev })).then((result) => {
      if (ended) return
      setSheet(result.ok ? result.value : undefined)
      setProblem(
        result.ok
          ? result.value.blocked.ok
            ? undefined
            : wordProblem(result.value.blocked.problem)
          : wordProblem(result.problem),
      )
    })
    return () => {
      ended = true
    }
  }, [open, id, tableId, row.ref, row.rev])

  const go = async () => {
    const result = await answered(remove(id, one))
    // What was refused stands in the way; what wasn’t answered can be tried again.
    if (!result.ok && result.problem.kind === 'no-answer-to-change') return toast(wordProblem(result.problem))
    if (!result.ok) return setProblem(wordProblem(result.problem))
    onClose()
    toast(result.value)
    onRemoved()
  }
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Remove this ${noun}?`}
      say={row.label || row.ref}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="ember" disabled={!sheet || problem !== undefined} onClick={() => void go()}>
            Remove it
          </Button>
        </>
      }
    >
      <div role="status" className="mt-2">
        {problem && <p className="text-ember">{problem}</p>}
        {!problem && sheet && (
          <p>
            {sheet.goes.length > 0 ? `${listed(sheet.goes)} go with it.` : 'Nothing else goes with it.'}
            {sheet.stays.length > 0 && ` ${listed(sheet.stays)} are left without it.`} This can’t be undone.
          </p>
        )}
        {!problem && !sheet && <p className="text-ash-6">Looking at what is linked to it …</p>}
      </div>
    </Dialog>
  )
}
