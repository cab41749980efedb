'use client'

import { fieldWith, type Span, type Table } from '@/core/book'
import { type CompareDraft, comparisonsFor, mayAsk, sayHow, saySpan, valuesTaken } from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { OtherField } from './other-field'

interface Props {
  readonly id: string
  /** The table of whose records it is asked. */
  readonly table: Table
  readonly draft: CompareDraft
  readonly onChange: (draft: CompareDraft) => void
}

/** Stretches of days that people ask for. */
const spans: readonly Span[] = [
  { which: 'this', unit: 'day' },
  { which: 'last', unit: 'day' },
  ...(['week', 'month', 'quarter', 'year'] as const).flatMap((unit): Span[] => [
    { which: 'this', unit },
    { which: 'last', unit },
    { which: 'next', unit },
  ]),
  { which: 'last', unit: 'day', count: 7 },
  { which: 'last', unit: 'day', count: 30 },
  { which: 'last', unit: 'month', count: 12 },
  { which: 'next', unit: 'day', count: 7 },
  { which: 'next', unit: 'day', count: 30 },
]

/** How a field is compared, and with what. */
export function CompareParts({ id, table, draft, onChange }: Props) {
  const { book } = useRecords()
  const face = displayOf(book, fieldWith(book, draft.place.field).field)
  const dated = face.kind === 'date' || face.kind === 'dateTime'
  const offered = comparisonsFor(face, book.look).filter(
    (how) => face.kind !== 'link' || ['is', 'blank', 'filled'].includes(how),
  )
  const isLink = face.kind === 'link'
  const taken = isLink || draft.other ? 0 : valuesTaken(draft.how)
  const type = (at: number, words: string) => {
    const typed = [...draft.typed]
    typed[at] = words
    onChange({ ...draft, typed: Array.from(typed, (one) => one ?? '') })
  }
  const words = face.kind === 'tick' ? ['yes', 'no'] : face.choices?.map(({ word }) => word)
  return (
    <>
      <Labelled label="How" htmlFor={`${id}-how`}>
        <ChoiceBox
          id={`${id}-how`}
          value={draft.how}
          onChange={(event) => onChange({ ...draft, how: event.target.value as CompareDraft['how'], other: undefined })}
        >
          {dated && <option value="within">is in</option>}
          {offered.map((how) => (
            <option key={how} value={how}>
              {isLink && how === 'is' ? 'is the one asked for' : sayHow(how, face.kind)}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {draft.how === 'within' && (
        <Labelled label="These days" htmlFor={`${id}-span`}>
          <ChoiceBox
            id={`${id}-span`}
            value={JSON.stringify(draft.span)}
            onChange={(event) => onChange({ ...draft, span: JSON.parse(event.target.value) as Span })}
          >
            {spans.map((span) => (
              <option key={JSON.stringify(span)} value={JSON.stringify(span)}>
                {saySpan(span)}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
      )}
      {taken > 0 && (
        <div className="flex flex-col gap-1.5">
          {Array.from({ length: taken }, (_, at) => (
            <Labelled
              key={at}
              label={
                taken === 2
                  ? at === 0
                    ? 'From'
                    : 'To'
                  : draft.how === 'oneOf'
                    ? 'These, with commas between them'
                    : 'This'
              }
              htmlFor={`${id}-value-${at}`}
            >
              {words && words.length > 0 && draft.how !== 'oneOf' ? (
                <ChoiceBox
                  id={`${id}-value-${at}`}
                  value={draft.typed[at] ?? ''}
                  onChange={(event) => type(at, event.target.value)}
                >
                  <option value="">Choose …</option>
                  {words.map((word) => (
                    <option key={word}>{word}</option>
                  ))}
                </ChoiceBox>
              ) : (
                <TextBox
                  id={`${id}-value-${at}`}
                  value={draft.typed[at] ?? ''}
                  onChange={(event) => type(at, event.target.value)}
                />
              )}
            </Labelled>
          ))}
          {mayAsk(draft.how) && (
            <TickBox
              id={`${id}-asked`}
              checked={draft.asked}
              label="Asked each time it is run"
              onChange={(asked) => onChange({ ...draft, asked })}
            />
          )}
        </div>
      )}
      {!isLink && valuesTaken(draft.how) === 1 && (
        <OtherField id={id} table={table} draft={draft} onChange={onChange} />
      )}
    </>
  )
}
