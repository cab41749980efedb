'use client'

import { useRouter } from 'next/navigation'
import { type ReactNode, useState } from 'react'
import { type Result, wordProblem } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'

interface Props {
  readonly title: string
  /** What doesn't go with it. */
  readonly say: string
  /** What does. */
  readonly children?: ReactNode
  readonly onClose: () => void
  readonly onDrop: () => Promise<Result<unknown>>
  /** Where to go on, when it is gone. */
  readonly back: string
}

/** Asks before something that was kept goes. */
export function DropDialog({ title, say, children, onClose, onDrop, back }: Props) {
  const router = useRouter()
  const [wrong, setWrong] = useState('')
  const remove = async () => {
    const gone = await onDrop()
    if (!gone.ok) return setWrong(wordProblem(gone.problem))
    router.push(back)
    router.refresh()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={title}
      say={say}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="ember" onClick={() => void remove()}>
            Remove it
          </Button>
        </>
      }
    >
      {children}
      {wrong && (
        <p role="alert" className="mt-2 text-[13px] text-ember">
          {wrong}
        </p>
      )}
    </Dialog>
  )
}
