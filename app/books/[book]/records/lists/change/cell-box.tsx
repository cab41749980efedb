'use client'

import { Popover } from 'radix-ui'
import { useRef } from 'react'
import type { Field } from '@/core/book'
import { showValue } from '@/core/kinds'
import { displayOf } from '@/core/expressions'
import type { Cell } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { Button } from '@/ui/kit'
import { useRecords } from '../../records-context'
import type { Changing } from './changing'
import { useSending } from './use-sending'
import { ValueBox } from './value-box'

interface Props {
  readonly changing: Changing
  readonly field: Field
  readonly line: ListLine
  readonly cell: Cell
  /** The cell on the page, beside which the box stands. */
  readonly at: HTMLElement
  /** The first letter, where typing one began it. */
  readonly typed: string | undefined
  readonly onClose: () => void
}

/** A value of a record changed where it stands in a list. */
export function CellBox({ changing, field, line, cell, at, typed, onClose }: Props) {
  const { book } = useRecords()
  const { send, wrong, forget, busy, warning } = useSending(changing, [line], field.id, onClose)
  const anchor = useRef(at)
  const isLink = cell !== null && typeof cell === 'object'
  const shown = isLink ? cell.ref : field.kind === 'link' ? '' : showValue(cell, displayOf(book, field), book.look)
  if (warning) return warning
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={-at.offsetHeight - 6}
          aria-label={`${field.name} of ${line.ref}`}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            at.focus()
          }}
          className="z-40 w-[280px] rounded-lg bg-paper p-2.5 shadow-float"
        >
          <p className="mb-1 text-[13px] text-ash-6">{field.name}</p>
          <ValueBox
            id="cell-box"
            table={changing.table}
            field={field}
            start={{ text: typed ?? shown, label: typed === undefined && isLink ? cell.label : '' }}
            wrong={wrong}
            onTyped={forget}
            onValue={(value) => void send(value)}
          />
          <div className="mt-2 flex justify-end gap-2">
            <Button onClick={onClose}>Cancel</Button>
            <Button look="main" type="submit" form="cell-box" disabled={busy}>
              {busy ? 'Saving …' : 'Save'}
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
