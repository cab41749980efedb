'use client'

import type { Table } from '@/core/book'
import { endOf, type HasDraft } from '@/core/lists'
import { inSentence, plural } from '@/core/words'
import { ChoiceBox, Labelled, TextBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { deepest, type Inner } from './inner'

const amounts = {
  some: 'there is at least one',
  none: 'there is none',
  least: 'there are at least',
  most: 'there are at most',
  exactly: 'there are exactly',
} as const

interface Props {
  readonly id: string
  readonly list: string
  readonly table: Table
  readonly draft: HasDraft
  readonly depth: number
  readonly inner: Inner
  readonly onChange: (draft: HasDraft) => void
}

/** How many there are, and of which kind. */
export function HasParts({ id, list, table, draft, depth, inner, onChange }: Props) {
  const { book } = useRecords()
  const end = endOf(book, table.id, draft.way)
  return (
    <>
      <Labelled label="How many" htmlFor={`${id}-amount`}>
        <ChoiceBox
          id={`${id}-amount`}
          value={draft.amount}
          onChange={(event) => onChange({ ...draft, amount: event.target.value as HasDraft['amount'] })}
        >
          {Object.entries(amounts).map(([amount, words]) => (
            <option key={amount} value={amount}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {draft.amount !== 'some' && draft.amount !== 'none' ? (
        <Labelled label="This many" htmlFor={`${id}-count`}>
          <TextBox
            id={`${id}-count`}
            inputMode="numeric"
            value={draft.count}
            onChange={(event) => onChange({ ...draft, count: event.target.value })}
          />
        </Labelled>
      ) : (
        <span />
      )}
      {end && depth < deepest && (
        <div className="col-span-full border-l-2 border-ash-4 pl-3">
          {inner({
            id: `${id}-of`,
            label: `Only ${plural(inSentence(end.name))} of which this is so (optional)`,
            none: 'all of them count',
            list,
            table: end,
            draft: draft.of,
            depth: depth + 1,
            onChange: (of) => onChange({ ...draft, of }),
          })}
        </div>
      )}
    </>
  )
}
