'use client'

import { useMemo, useRef, useState } from 'react'
import { fieldOf, tableOf } from '@/core/book'
import type { ListRow } from '@/core/records'
import { inSentence } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'
import { useRecords } from '../records-context'
import { useForms } from './use-form'
import { RecordForm, type RecordFormHandle } from './record-form'

interface Props {
  readonly tableId: string
  readonly words: string
  readonly onEnd: (row: ListRow | undefined) => void
}

/** A new record of the linked table, entered without leaving the one at hand. */
export function NewLinked({ tableId, words, onEnd }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, tableId)
  const { form } = useForms(tableId)
  const handle = useRef<RecordFormHandle>(null)
  const [busy, setBusy] = useState(false)
  const begin = useMemo(() => {
    const line = table.knownBy.map((id) => fieldOf(table, id)).find((field) => field.kind === 'line')
    return { text: line && words ? { [line.id]: words } : {}, labels: {}, insets: {} }
  }, [table, words])
  return (
    <Dialog
      open
      wide
      onClose={() => onEnd(undefined)}
      title={`New ${inSentence(table.name)}`}
      actions={
        <>
          <Button onClick={() => onEnd(undefined)}>Cancel</Button>
          <Button look="main" disabled={busy} onClick={() => void handle.current?.save()}>
            Save and use it
          </Button>
        </>
      }
    >
      <div className="pt-3">
        <RecordForm
          nested
          arranged={form}
          tableId={tableId}
          stored={undefined}
          begin={begin}
          handle={handle}
          onSaved={(record) => onEnd(record.row)}
          onState={(state) => setBusy(state.busy)}
        />
      </div>
    </Dialog>
  )
}
