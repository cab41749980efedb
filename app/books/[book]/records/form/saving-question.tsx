'use client'

import type { FormText } from '@/core/records'
import { inSentence } from '@/core/words'
import { tableOf } from '@/core/book'
import type { LiveRecord, Moved } from '@/server/live'
import { Button, Dialog } from '@/ui/kit'
import { useRecords } from '../records-context'
import { ConflictDialog } from './conflict-dialog'
import type { Question, SendWish } from './use-saving'
import { WarningDialog } from './warning-dialog'

interface Props {
  readonly tableId: string
  readonly start: FormText
  readonly question: Question
  readonly onClose: () => void
  readonly onSend: (wish: SendWish) => void
  /** Back to the form, with what is copied as it is now. */
  readonly onLook: () => void
  readonly onChoose: (text: FormText, theirs: LiveRecord) => void
}

/** What must be decided before a record is saved. */
export function SavingQuestion({ tableId, start, question, onClose, onSend, onLook, onChoose }: Props) {
  // One question may follow another: what was agreed to before still is.
  const further = (wish: SendWish) => onSend({ ...question.wish, ...wish })
  const { despite = [] } = question.wish
  switch (question.kind) {
    case 'warned':
      return (
        <WarningDialog
          warnings={question.warnings}
          onClose={onClose}
          onSave={() => further({ despite: [...despite, ...question.warnings.map((warning) => warning.rule)] })}
        />
      )
    case 'moved':
      return <MovedDialog changes={question.changes} onClose={onLook} onSave={() => further({ unseen: true })} />
    case 'removed':
      return <RemovedDialog tableId={tableId} onClose={onClose} onSave={() => further({ anew: true })} />
    case 'conflict':
      return (
        <ConflictDialog
          tableId={tableId}
          by={question.by}
          stored={question.theirs}
          start={start}
          mine={question.text}
          onClose={onClose}
          onChoose={(text) => onChoose(text, question.theirs)}
        />
      )
  }
}

interface MovedProps {
  readonly changes: readonly Moved[]
  readonly onClose: () => void
  readonly onSave: () => void
}

/** A price that was agreed on is no longer the one that would be saved. */
const MovedDialog = ({ changes, onClose, onSave }: MovedProps) => (
  <Dialog
    open
    onClose={onClose}
    title={changes.length === 1 ? 'This was changed while you were typing' : 'These were changed while you were typing'}
    say="Nothing is saved yet. What is copied into this record is not what you saw:"
    actions={
      <>
        <Button onClick={onClose}>Look at it again</Button>
        <Button look="main" onClick={onSave}>
          Save with what it is now
        </Button>
      </>
    }
  >
    <ul className="mt-3 flex flex-col gap-2">
      {changes.map(({ field, row, was, is }) => (
        <li key={`${row} ${field}`} className="rounded-md bg-brass-tint px-3 py-2">
          {row && `${row}: `}
          {field} is <b>{is || 'empty'}</b> now; you saw {was || 'nothing'}.
        </li>
      ))}
    </ul>
  </Dialog>
)

interface RemovedProps {
  readonly tableId: string
  readonly onClose: () => void
  readonly onSave: () => void
}

/** The record is gone; what was typed isn't. */
function RemovedDialog({ tableId, onClose, onSave }: RemovedProps) {
  const { book } = useRecords()
  const noun = inSentence(tableOf(book, tableId).name)
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Somebody removed this ${noun} while you were typing`}
      say={`It isn’t there any more, so this can’t be saved to it. What you typed can become a new ${noun}; numbers that the book gives are given again.`}
      actions={
        <>
          <Button onClick={onClose}>Go on typing</Button>
          <Button look="main" onClick={onSave}>
            Save it as a new {noun}
          </Button>
        </>
      }
    />
  )
}
