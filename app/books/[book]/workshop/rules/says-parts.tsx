'use client'

import { type Book, type Field, type Table, wordsOf } from '@/core/book'
import type { Failure } from '@/core/expressions'
import { isTyped } from '@/core/kinds'
import { type DraftOf, isComparable, type PartsDraft, samenessOf, timesOf } from '@/core/rules'
import { ChoiceBox, Labelled, TickBox } from '@/ui/kit'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly book: Book
  readonly table: Table
  readonly draft: PartsDraft
  /** What is wrong with the expression in it. */
  readonly wrong: Failure | undefined
  readonly onChange: (draft: PartsDraft) => void
}

/** The parts of a rule over several records, or over changes, to be filled in. */
export function SaysParts(props: Props) {
  switch (props.draft.kind) {
    case 'together':
      return <Together {...props} draft={props.draft} />
    case 'apart':
      return <Apart {...props} draft={props.draft} />
    case 'closed':
      return <Closed {...props} draft={props.draft} />
    case 'follows':
      return <Follows {...props} draft={props.draft} />
  }
}

type Of<Kind extends PartsDraft['kind']> = Omit<Props, 'draft'> & { readonly draft: DraftOf<Kind> }

const toggled = (all: readonly string[], one: string, now: boolean) =>
  now ? [...all, one] : all.filter((other) => other !== one)

function FieldTicks({
  legend,
  id,
  fields,
  chosen,
  onChange,
}: {
  readonly legend: string
  readonly id: string
  readonly fields: readonly Field[]
  readonly chosen: readonly string[]
  readonly onChange: (chosen: readonly string[]) => void
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
      <legend className="mb-1 text-[13px] text-ash-6">{legend}</legend>
      {fields.map((field) => (
        <TickBox
          key={field.id}
          id={`${id}-${field.id}`}
          label={field.name}
          checked={chosen.includes(field.id)}
          onChange={(now) => onChange(toggled(chosen, field.id, now))}
        />
      ))}
    </fieldset>
  )
}

function Together({ table, draft, onChange }: Of<'together'>) {
  const fields = table.fields.filter(isComparable)
  return (
    <>
      <FieldTicks
        legend="Must be different when taken together"
        id="rule-together"
        fields={fields}
        chosen={draft.fields}
        onChange={(chosen) => onChange({ ...draft, fields: chosen })}
      />
      <Labelled label="Where one of them is empty" htmlFor="rule-blanks">
        <ChoiceBox
          id="rule-blanks"
          value={draft.blanks}
          onChange={(event) => onChange({ ...draft, blanks: event.target.value as 'differ' | 'alike' })}
        >
          <option value="differ">the rule is skipped</option>
          <option value="alike">empty counts as the same as empty</option>
        </ChoiceBox>
      </Labelled>
    </>
  )
}

function Apart({ book, table, draft, wrong, onChange }: Of<'apart'>) {
  const times = timesOf(book, table)
  const same = samenessOf(table)
  const box = (name: 'from' | 'to', label: string) => (
    <Labelled label={label} htmlFor={`rule-${name}`}>
      <ChoiceBox
        id={`rule-${name}`}
        value={draft[name]}
        onChange={(event) => onChange({ ...draft, [name]: event.target.value })}
      >
        <option value="">Choose …</option>
        {times.map((field) => (
          <option key={field.id} value={field.id}>
            {field.name}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        {box('from', 'It lasts from')}
        {box('to', 'until (empty: no end)')}
      </div>
      <FieldTicks
        legend="No two overlap for the same"
        id="rule-same"
        fields={same}
        chosen={draft.same}
        onChange={(chosen) => onChange({ ...draft, same: chosen })}
      />
      <ExpressionBox
        id="rule-unless"
        label="Except records where (optional)"
        table={table}
        rows={1}
        source={draft.unless}
        placeholder="State = 'cancelled'"
        wrong={wrong}
        onChange={(unless) => onChange({ ...draft, unless })}
      />
    </>
  )
}

function Closed({ table, draft, wrong, onChange }: Of<'closed'>) {
  return (
    <>
      <ExpressionBox
        id="rule-once"
        label="Nothing changes any more once"
        table={table}
        rows={1}
        source={draft.once}
        placeholder="State = 'done'"
        wrong={wrong}
        onChange={(once) => onChange({ ...draft, once })}
      />
      <FieldTicks
        legend="These may change all the same"
        id="rule-except"
        fields={table.fields.filter(isTyped)}
        chosen={draft.except}
        onChange={(except) => onChange({ ...draft, except })}
      />
      <TickBox
        id="rule-rows"
        label="Its rows stay as they are too"
        checked={draft.rows}
        onChange={(rows) => onChange({ ...draft, rows })}
      />
    </>
  )
}

function Follows({ table, draft, onChange }: Of<'follows'>) {
  const { book } = useWorkshop()
  const choosable = table.fields.filter((field) => wordsOf(book, field).length > 0)
  const field = choosable.find((one) => one.id === draft.field)
  const choices = field ? wordsOf(book, field) : []
  if (choosable.length === 0) return <p className="text-brass">{table.name} has no field with choices yet.</p>
  return (
    <>
      <Labelled label="The states are those of" htmlFor="rule-field">
        <ChoiceBox
          id="rule-field"
          value={draft.field}
          onChange={(event) => onChange({ kind: 'follows', field: event.target.value, steps: {} })}
        >
          <option value="">Choose …</option>
          {choosable.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {choices.map((from) => (
        <fieldset key={from.id} className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="mb-1 text-[13px] text-ash-6">After {from.word} may come</legend>
          {choices
            .filter((to) => to !== from)
            .map((to) => (
              <TickBox
                key={to.id}
                id={`rule-step-${from.id}-${to.id}`}
                label={to.word}
                checked={draft.steps[from.id]?.includes(to.id) ?? false}
                onChange={(now) =>
                  onChange({
                    ...draft,
                    steps: { ...draft.steps, [from.id]: toggled(draft.steps[from.id] ?? [], to.id, now) },
                  })
                }
              />
            ))}
        </fieldset>
      ))}
    </>
  )
}
