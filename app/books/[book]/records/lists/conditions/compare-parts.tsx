'use client'

import { fieldWith, type Span, type Table } from '@/core/book'
import {
  asksDays,
  type CompareDraft,
  comparisonsFor,
  mayAsk,
  sayHow,
  saySpan,
  takesLetters,
  valuesTaken,
} from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { RecordBox } from '../record-box'
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

const theAsked = 'asked'
const lookHint = 'A star stands for any letters, a question mark for one.'
const daysHint = 'What it starts with: this month, last year, March 2027, a day. It may be left blank.'

/** Compared in another way; which record a link leads to may be asked each time, and is then not said here. */
function compared(draft: CompareDraft, how: string, isLink: boolean): CompareDraft {
  const { other: _other, called: _called, ...rest } = draft
  if (how === theAsked) return { ...rest, how: 'is', asked: true, typed: [] }
  const next: CompareDraft = { ...rest, how: how as CompareDraft['how'] }
  if (!isLink) return next
  return { ...next, asked: false, typed: draft.asked ? [] : draft.typed, called: draft.called }
}

/** How a field is compared, and with what. */
export function CompareParts({ id, table, draft, onChange }: Props) {
  const { book } = useRecords()
  const face = displayOf(book, fieldWith(book, draft.place.field).field)
  const dated = face.kind === 'date' || face.kind === 'dateTime'
  const offered = comparisonsFor(face, book.look).filter(
    (how) => face.kind !== 'link' || ['is', 'isNot', 'blank', 'filled'].includes(how),
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
              {words && words.length > 0 && draft.how !== 'oneOf' && !takesLetters(draft.how) ? (
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
          {draft.how === 'looks' && <p className="text-[13px] text-ash-6">{lookHint}</p>}
          {draft.asked && asksDays(face, draft.how) && <p className="text-[13px] text-ash-6">{daysHint}</p>}
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
