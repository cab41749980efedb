'use client'

import { type Field, fieldWith, type Span, type Table } from '@/core/book'
import { type CompareDraft, comparisonsFor, sayHow, saySpan, valuesTaken } from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { RecordBox } from '../record-box'
import { OtherField } from './other-field'
import { ValueParts } from './value-parts'

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

const theAsked = 'asked'

/** Compared in another way; which record a link leads to may be asked each time, and is then not said here. */
function compared(draft: CompareDraft, how: string, isLink: boolean): CompareDraft {
  const { other: _other, called: _called, ...rest } = draft
  if (how === theAsked) return { ...rest, how: 'is', asked: true, typed: [] }
  const next: CompareDraft = { ...rest, how: how as CompareDraft['how'] }
  if (!isLink) return next
  return { ...next, asked: false, typed: draft.asked ? [] : draft.typed, called: draft.called }
}

/** How it is compared; of a link, with the one that is asked for each time too. */
function HowBox({ id, draft, face, onChange }: Omit<Props, 'table'> & { readonly face: Field }) {
  const { book } = useRecords()
  const isLink = face.kind === 'link'
  const dated = face.kind === 'date' || face.kind === 'dateTime'
  const offered = comparisonsFor(face, book.look).filter(
    (how) => face.kind !== 'link' || ['is', 'isNot', 'blank', 'filled'].includes(how),
  )
  return (
    <Labelled label="How" htmlFor={`${id}-how`}>
      <ChoiceBox
        id={`${id}-how`}
        value={isLink && draft.asked ? theAsked : draft.how}
        onChange={(event) => onChange(compared(draft, event.target.value, isLink))}
      >
        {dated && <option value="within">is in</option>}
        {isLink && <option value={theAsked}>is the one asked for</option>}
        {offered.map((how) => (
          <option key={how} value={how}>
            {sayHow(how, face.kind)}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}

function SpanBox({ id, draft, onChange }: Omit<Props, 'table'>) {
  return (
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
  )
}

/** How a field is compared, and with what. */
export function CompareParts({ id, table, draft, onChange }: Props) {
  const { book } = useRecords()
  const face = displayOf(book, fieldWith(book, draft.place.field).field)
  const isLink = face.kind === 'link'
  const taken = isLink || draft.other ? 0 : valuesTaken(draft.how)
  return (
    <>
      <HowBox id={id} draft={draft} face={face} onChange={onChange} />
      {draft.how === 'within' && <SpanBox id={id} draft={draft} onChange={onChange} />}
      {isLink && !draft.asked && valuesTaken(draft.how) === 1 && (
        <RecordBox
          id={`${id}-record`}
          label="This"
          name="This"
          field={fieldWith(book, draft.place.field).field}
          value={draft.typed[0] ?? ''}
          called={draft.called ?? draft.typed[0] ?? ''}
          onChange={(ref, called) => onChange({ ...draft, typed: [ref], called })}
        />
      )}
      {taken > 0 && <ValueParts id={id} draft={draft} face={face} taken={taken} onChange={onChange} />}
      {!isLink && valuesTaken(draft.how) === 1 && (
        <OtherField id={id} table={table} draft={draft} onChange={onChange} />
      )}
    </>
  )
}
