'use client'

import { useState } from 'react'
import { type Column, limits, type List, tableOf } from '@/core/book'
import type { ReadColumn } from '@/core/lists'
import { Button, Dialog, Labelled, Segments, TextBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../../records-context'
import { AmongParts } from './among-parts'
import { draftOf, type Draft, kinds, madeOf } from './draft'
import { JoinParts } from './join-parts'
import { WriteParts } from '../write-parts'

interface Props {
  readonly list: List
  readonly columns: readonly ReadColumn[]
  /** The column that is changed; none for a new one. */
  readonly column: Column | undefined
  /** Of the record alone, with nothing told among all others. */
  readonly alone?: boolean
  readonly onClose: () => void
  readonly onKeep: (column: Column) => void
}

/** A column that no field has: fields joined as one, a number told among all others, or whatever can be written. */
export function CalculateDialog({ list, columns, column, alone, onClose, onKeep }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, list.table)
  const [draft, setDraft] = useState<Draft>(() => draftOf(book, column))
  const [heading, setHeading] = useState(column?.heading ?? '')
  const made = madeOf(book, table, columns, draft)
  const own = heading.trim()
  const tooLong = own.length > limits.nameLength
  const change = (to: Partial<Draft>) => setDraft({ ...draft, ...to })
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={column ? 'Change the column' : 'Calculate a column'}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="main"
            disabled={!made.shows || tooLong}
            onClick={() =>
              made.shows &&
              onKeep({
                id: column?.id ?? freshId(),
                shows: made.shows,
                // What goes along with a column is headed by it, whatever becomes of that.
                ...((own || (made.usual && draft.kind === 'join')) && { heading: own || made.usual }),
              })
            }
          >
            {column ? 'Change it' : 'Add the column'}
          </Button>
        </>
      }
    >
      <div className="mt-3 flex flex-col gap-3">
        <Segments
          label="What it is"
          value={draft.kind}
          options={alone ? kinds.filter(({ value }) => value !== 'among') : kinds}
          onChange={(kind) => change({ kind })}
        />
        {draft.kind === 'join' && <JoinParts table={table} draft={draft} onChange={change} />}
        {draft.kind === 'among' && <AmongParts columns={columns} draft={draft} onChange={change} />}
        {draft.kind === 'write' && (
          <WriteParts
            id="calculate-source"
            label="What it is"
            table={table}
            source={draft.source}
            onChange={(source) => change({ source })}
          />
        )}
        <Labelled
          label="Heading (optional)"
          htmlFor="calculate-heading"
          problem={tooLong ? `At most ${limits.nameLength} letters; this has ${own.length}.` : undefined}
        >
          <TextBox
            id="calculate-heading"
            value={heading}
            placeholder={made.usual || 'Calculated'}
            onChange={(event) => setHeading(event.target.value)}
          />
        </Labelled>
      </div>
    </Dialog>
  )
}
