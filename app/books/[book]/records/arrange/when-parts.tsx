'use client'

import { X } from 'lucide-react'
import { useMemo } from 'react'
import { tableOf } from '@/core/book'
import type { Failure } from '@/core/expressions'
import { type Condition, subjectsOf } from '@/core/rules'
import { IconButton, WordButton } from '@/ui/kit'
import { ConditionParts } from '../../conditions/condition-parts'
import { WrittenBox } from '../../expressions/written-box'
import { useRecords } from '../records-context'
import { blankCondition, type WhenDraft, whenSource } from './when-draft'

interface Props {
  readonly tableId: string
  /** The field that is asked about; it is not to depend on itself. */
  readonly own: string
  readonly draft: WhenDraft
  readonly wrong: Failure | undefined
  readonly onChange: (draft: WhenDraft) => void
}

/** The conditions that all hold, one under the other, or the expression that they come to. */
export function WhenParts({ tableId, own, draft, wrong, onChange }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, tableId)
  const subjects = useMemo(() => subjectsOf(book, table).filter(({ face }) => face.id !== own), [book, table, own])
  if ('written' in draft)
    return (
      <WrittenBox
        book={book}
        id="part-when-written"
        label="Only when this is so"
        table={table}
        offered={table.fields.filter(({ id }) => id !== own)}
        rows={2}
        source={draft.written}
        wrong={wrong}
        onChange={(written) => onChange({ written })}
      />
    )
  const { all } = draft
  const put = (at: number, condition: Condition) => onChange({ all: all.with(at, condition) })
  return (
    <>
      {all.map((condition, at) => (
        // Conditions have no names; where they stand is all there is.
        <div key={at} role="group" aria-label={`Condition ${at + 1}`}>
          {at > 0 && <p className="pb-1 font-semibold">and</p>}
          <div className="flex items-start gap-2">
            <div className="min-w-0 flex-1">
              <ConditionParts
                id={`part-when-${at}`}
                subjects={subjects}
                condition={condition}
                onChange={(to) => put(at, to)}
              />
            </div>
            {all.length > 1 && (
              <IconButton
                label={`Remove condition ${at + 1}`}
                className="mt-6"
                onClick={() => onChange({ all: all.toSpliced(at, 1) })}
              >
                <X size={15} aria-hidden />
              </IconButton>
            )}
          </div>
        </div>
      ))}
      <div className="-ml-1 flex flex-wrap gap-x-4 gap-y-1">
        <WordButton onClick={() => onChange({ all: [...all, blankCondition] })}>And another condition</WordButton>
        <WordButton onClick={() => onChange({ written: whenSource(book, table, draft) })}>
          Write it as an expression
        </WordButton>
      </div>
    </>
  )
}
