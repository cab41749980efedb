'use client'

import type { Table } from '@/core/book'
import { type CompareDraft, compareDraft, comparisonsFor, endOf, type HasDraft } from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { inSentence, plural } from '@/core/words'
import { ChoiceBox, Labelled, TextBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { CompareParts } from './compare-parts'

const amounts = {
  some: 'there is at least one',
  none: 'there is none',
  least: 'there are at least',
  most: 'there are at most',
  exactly: 'there are exactly',
} as const

interface Props {
  readonly draft: HasDraft
  readonly table: Table
  readonly onChange: (draft: HasDraft) => void
}

/** How many there are, and of which kind. */
export function HasParts({ draft, table, onChange }: Props) {
  const { book } = useRecords()
  const end = endOf(book, table.id, draft.way)
  const fields = end?.fields.filter(({ kind }) => kind !== 'file') ?? []
  const choose = (field: string) => {
    const found = fields.find(({ id }) => id === field)
    const [how] = found ? comparisonsFor(displayOf(book, found), book.look) : []
    onChange({
      ...draft,
      of: found && compareDraft({ way: [], field }, found.kind === 'link' ? 'filled' : how!),
    })
  }
  return (
    <>
      <Labelled label="How many" htmlFor="condition-amount">
        <ChoiceBox
          id="condition-amount"
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
        <Labelled label="This many" htmlFor="condition-count">
          <TextBox
            id="condition-count"
            inputMode="numeric"
            value={draft.count}
            onChange={(event) => onChange({ ...draft, count: event.target.value })}
          />
        </Labelled>
      ) : (
        <span />
      )}
      <Labelled label={`Only ${plural(inSentence(end?.name ?? ''))} whose (optional)`} htmlFor="condition-of">
        <ChoiceBox
          id="condition-of"
          value={draft.of?.place.field ?? ''}
          onChange={(event) => choose(event.target.value)}
        >
          <option value="">all of them count</option>
          {fields.map((field) => (
            <option key={field.id} value={field.id}>
              {field.name}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {draft.of && (
        <CompareParts
          id="condition-inner"
          draft={draft.of}
          onChange={(of: CompareDraft) => onChange({ ...draft, of })}
        />
      )}
    </>
  )
}
