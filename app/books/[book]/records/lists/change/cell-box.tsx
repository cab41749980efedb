'use client'

import { Popover } from 'radix-ui'
import { useRef, useState } from 'react'
import type { Field } from '@/core/book'
import { showValue, type Value } from '@/core/kinds'
import { displayOf } from '@/core/expressions'
import type { Cell } from '@/core/lists'
import type { ListLine } from '@/server/live'
import { Button } from '@/ui/kit'
import { WarningDialog } from '../../form/warning-dialog'
import { useRecords } from '../../records-context'
import { type Changing, type Warned } from './changing'
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
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [warned, setWarned] = useState<Warned & { readonly value: Value }>()
  const anchor = useRef(at)
  const isLink = cell !== null && typeof cell === 'object'
  const shown = isLink ? cell.ref : field.kind === 'link' ? '' : showValue(cell, displayOf(book, field), book.look)
  const save = async (value: Value, despite: readonly string[] = []) => {
    setBusy(true)
    const sent = await changing.change([line], { [field.id]: value }, despite)
    setBusy(false)
    if (sent.kind === 'done') onClose()
    else if (sent.kind === 'warned') setWarned({ ...sent, value })
    else setWrong(sent.words)
  }
  if (warned)
    return (
      <WarningDialog
        warnings={warned.warnings}
        onClose={() => setWarned(undefined)}
        onSave={() => {
          setWarned(undefined)
          void save(
            warned.value,
            warned.warnings.map(({ rule }) => rule),
          )
        }}
      />
    )
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
            onTyped={() => setWrong('')}
            onValue={(value) => void save(value)}
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
