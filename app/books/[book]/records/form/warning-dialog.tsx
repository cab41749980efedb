'use client'

import { Button, Dialog } from '@/ui/kit'

interface Props {
  readonly warnings: readonly { readonly rule: string; readonly words: string }[]
  readonly onClose: () => void
  readonly onSave: () => void
}

/** Rules that only warn say their words before the record is saved; whoever types decides. */
export const WarningDialog = ({ warnings, onClose, onSave }: Props) => (
  <Dialog
    open
    onClose={onClose}
    title="Save it as it is?"
    say="Nothing is saved yet."
    actions={
      <>
        <Button onClick={onClose}>Go on typing</Button>
        <Button look="main" onClick={onSave}>
          Save all the same
        </Button>
      </>
    }
  >
    <ul className="mt-3 flex flex-col gap-2">
      {warnings.map((warning) => (
        <li key={warning.rule} className="rounded-md bg-brass-tint px-3 py-2">
          {warning.words}
        </li>
      ))}
    </ul>
  </Dialog>
)
