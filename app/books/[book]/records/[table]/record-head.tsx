'use client'

import { useRouter } from 'next/navigation'
import { tableOf } from '@/core/book'
import { inSentence } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import { Button } from '@/ui/kit'
import { DocumentMenu } from '../documents/document-menu'
import { outPath } from '../documents/hand-out-of'
import { FormMenu } from '../form/form-menu'
import type { FormState } from '../form/record-form'
import { useRecords } from '../records-context'

interface HandOutProps {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly nameOf: (record: LiveRecord) => string
  readonly isChanged: boolean
}

/** The documents that a record has; none before it is saved. */
function HandOut({ tableId, stored, nameOf, isChanged }: HandOutProps) {
  const { base } = useRecords()
  if (!stored) return null
  const [ref, label] = [stored.row.ref, nameOf(stored)]
  return (
    <DocumentMenu
      table={tableId}
      path={(document) => outPath(base, { table: tableId, document, ref, label })}
      note={isChanged ? 'With the values as they were last saved' : undefined}
    />
  )
}

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly nameOf: (record: LiveRecord) => string
  readonly state: FormState
  /** The new record's own page is on its way. */
  readonly moving: boolean
  readonly onRemove: () => void
  readonly onSave: () => void
}

/** Which record it is, the form it is typed in, and what can be done with it. */
export function RecordHead({ tableId, stored, nameOf, state, moving, onRemove, onSave }: Props) {
  const { book, base, mayChange } = useRecords()
  const router = useRouter()
  const table = tableOf(book, tableId)
  const list = `${base}/${tableId}`
  const noun = inSentence(table.name)
  const isIdle = state.busy || moving || (stored !== undefined && !state.changed)
  return (
    <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-3">
        <h1 className="min-w-0 text-[22px] leading-tight break-words">
          {stored ? (
            <>
              {table.name} <span className="font-mono font-normal">{nameOf(stored)}</span>
            </>
          ) : (
            `New ${noun}`
          )}
        </h1>
        <FormMenu tableId={tableId} row={stored?.row} />
      </div>
      <div className="flex flex-wrap gap-2">
        <HandOut tableId={tableId} stored={stored} nameOf={nameOf} isChanged={state.changed} />
        {mayChange && (
          <>
            {stored && <Button onClick={onRemove}>Remove</Button>}
            {stored && (
              <Button onClick={() => router.push(`${list}/new?copy=${encodeURIComponent(stored.row.ref)}`)}>
                Copy
              </Button>
            )}
            {stored && (
              <Button onClick={() => router.push(`${list}/new`)} keys="Alt N">
                New
              </Button>
            )}
            <Button look="main" keys="Ctrl S" disabled={isIdle} onClick={onSave}>
              {state.busy ? 'Saving …' : stored && !state.changed ? 'Saved' : 'Save'}
            </Button>
          </>
        )}
      </div>
    </div>
  )
}
