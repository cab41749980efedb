'use client'

import type { Table } from '@/core/book'
import { Button, Dialog } from '@/ui/kit'
import { PairSheet } from '../pairings/pair-sheet'

interface Props {
  readonly a: Table
  readonly b: Table
  readonly onClose: () => void
}

/** A line drawn from one card to another asks there and then what a pairing asks. */
export const TieDialog = ({ a, b, onClose }: Props) => (
  <Dialog
    open
    wide
    onClose={onClose}
    title={a.id === b.id ? `Link ${a.name} to itself` : `Link ${a.name} and ${b.name}`}
    say="How many of one can be linked to one of the other? The line is drawn as you answer."
    actions={
      <Button look="main" onClick={onClose}>
        Back to the map
      </Button>
    }
  >
    <PairSheet a={a} b={b} asked onNext={undefined} />
  </Dialog>
)
