'use client'

import { Button, Dialog } from '@/ui/kit'

/** What can't be said any more after a change, before it is made. */
export const LostNote = ({ lost }: { readonly lost: readonly string[] }) =>
  lost.length === 0 ? null : (
    <div role="status" className="rounded-md bg-brass-tint px-3 py-2 text-[13px]">
      <p className="font-bold">Not everything can follow. One undo brings it back.</p>
      <ul className="mt-1 max-h-48 list-disc overflow-y-auto pl-4">
        {lost.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </div>
  )

interface Props {
  readonly title: string
  readonly act: string
  readonly lost: readonly string[]
  readonly onClose: () => void
  readonly onGo: () => void
}

/** Asks before a change that something can't follow. */
export const LostDialog = ({ title, act, lost, onClose, onGo }: Props) => (
  <Dialog
    open
    onClose={onClose}
    title={title}
    actions={
      <>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          look="main"
          onClick={() => {
            onClose()
            onGo()
          }}
        >
          {act}
        </Button>
      </>
    }
  >
    <div className="mt-3">
      <LostNote lost={lost} />
    </div>
  </Dialog>
)
