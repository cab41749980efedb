import type { Handed, Table } from '@/core/book'
import { writeRunning } from '@/core/kinds'
import { frozenBy, notable } from '@/core/reports'
import { capital, inSentence, listed } from '@/core/words'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../../records-context'

interface Props {
  readonly table: Table
  readonly handed: Handed | undefined
  readonly onChange: (handed: Handed | undefined) => void
}

/** Whether what is handed out is kept, and under which number. */
export function HandedChoices({ table, handed, onChange }: Props) {
  const { numbered, ...kept } = handed ?? {}
  const setNumber = (to: Partial<NonNullable<Handed['numbered']>>) => {
    const next = Object.entries({ ...numbered, ...to }).filter(([, value]) => value !== undefined && value !== '')
    onChange({ ...handed, numbered: Object.fromEntries(next) })
  }
  return (
    <>
      <TickBox
        id="document-handed"
        checked={handed !== undefined}
        label="Keep what is handed out"
        onChange={(on) => onChange(on ? {} : undefined)}
      />
      {handed && (
        <TickBox
          id="document-numbered"
          checked={numbered !== undefined}
          label="With a number, without gaps"
          onChange={(on) => onChange({ ...kept, ...(on && { numbered: { width: 4 } }) })}
        />
      )}
      {numbered && (
        <>
          <Labelled label="Begins with (optional)" htmlFor="number-prefix">
            <TextBox
              id="number-prefix"
              value={numbered.prefix ?? ''}
              maxLength={20}
              placeholder="B-"
              onChange={(event) => setNumber({ prefix: event.target.value.trimStart() || undefined })}
            />
          </Labelled>
          <TickBox
            id="number-yearly"
            checked={numbered.yearly === true}
            label="From 1 again each year"
            onChange={(yearly) => setNumber({ yearly: yearly ? true : undefined })}
          />
          <p className="text-[13px] text-ash-6">
            The first is {writeRunning(1, numbered, '2027')}. Put “Its number” into the text.
          </p>
        </>
      )}
      {handed && <NotedChoice table={table} handed={handed} onChange={onChange} />}
    </>
  )
}

/** Where on the record it is noted that it was handed out. */
function NotedChoice({ table, handed: { notes, ...handed }, onChange }: Props & { readonly handed: Handed }) {
  const { book } = useRecords()
  const days = notable(table)
  if (days.length === 0 && notes === undefined) return null
  const frozen = notes === undefined ? [] : frozenBy(book, table, notes)
  return (
    <>
      <Labelled label="Note the day in" htmlFor="document-notes">
        <ChoiceBox
          id="document-notes"
          value={notes ?? ''}
          onChange={(event) => onChange({ ...handed, ...(event.target.value && { notes: event.target.value }) })}
        >
          <option value="">nowhere on the {inSentence(table.name)}</option>
          {days.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          {!days.some(({ id }) => id === notes) && notes !== undefined && (
            <option value={notes}>a field that is gone</option>
          )}
        </ChoiceBox>
      </Labelled>
      {notes !== undefined && (
        <p className="text-[13px] text-ash-6">
          It is filled in when this is handed out, where it is blank.
          {frozen.length > 0 &&
            ` ${capital(listed(frozen.map(({ name }) => name)))} ${frozen.length === 1 ? 'freezes' : 'freeze'} by this field.`}
        </p>
      )}
    </>
  )
}
