'use client'

import { type Book, type Field, type RuleSays, type Table, wordsOf } from '@/core/book'
import { displayOf, storeTree, readExpression } from '@/core/expressions'
import { isDerived, isTyped, kindOf } from '@/core/kinds'
import { ChoiceBox, Labelled, TickBox } from '@/ui/kit'
import { ExpressionBox } from '../expressions/expression-box'
import { useWorkshop } from '../workshop-context'

/** What a rule over several records says while it is being put together; expressions as they are typed. */
export type Draft =
  | { readonly kind: 'together'; readonly fields: readonly string[]; readonly blanks: 'differ' | 'alike' }
  | {
      readonly kind: 'apart'
      readonly same: readonly string[]
      readonly from: string
      readonly to: string
      readonly unless: string
    }
  | { readonly kind: 'closed'; readonly once: string; readonly except: readonly string[]; readonly rows: boolean }
  | { readonly kind: 'follows'; readonly field: string; readonly steps: Readonly<Record<string, readonly string[]>> }

interface Props {
  readonly book: Book
  readonly table: Table
  readonly draft: Draft
  readonly onChange: (draft: Draft) => void
}

const timesOf = (book: Book, table: Table) =>
  table.fields.filter((field) => ['date', 'dateTime', 'time'].includes(displayOf(book, field).kind))

/** What a draft says, or what it still lacks. */
export function sayDraft(
  book: Book,
  table: Table,
  draft: Draft,
): { readonly says: RuleSays } | { readonly missing: string } {
  switch (draft.kind) {
    case 'together':
      return draft.fields.length < 2 ? { missing: 'Choose at least two fields.' } : { says: { ...draft } }
    case 'apart': {
      const { unless, ...rest } = draft
      if (timesOf(book, table).length < 2)
        return { missing: `${table.name} has no two dates or times to last from and to. Choose another table above.` }
      if (!rest.from || !rest.to) return { missing: 'Choose when it begins and when it ends.' }
      if (!unless.trim()) return { says: { ...rest } }
      const read = readExpression(book, table, unless)
      return 'problem' in read ? { missing: read.problem.words } : { says: { ...rest, unless: storeTree(read.tree) } }
    }
    case 'closed': {
      if (!draft.once.trim()) return { missing: 'Write what closes it.' }
      const read = readExpression(book, table, draft.once)
      return 'problem' in read ? { missing: read.problem.words } : { says: { ...draft, once: storeTree(read.tree) } }
    }
    case 'follows': {
      if (!draft.field) return { missing: 'Choose the field whose states they are.' }
      const steps = Object.entries(draft.steps).map(([from, to]) => ({ from, to: [...to] }))
      return { says: { kind: 'follows', field: draft.field, steps } }
    }
  }
}

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

type Of<Kind extends Draft['kind']> = Omit<Props, 'draft'> & { readonly draft: Extract<Draft, { kind: Kind }> }

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
  const fields = table.fields.filter(
    (field) =>
      !['passage', 'file', 'tick'].includes(kindOf(field.kind).control) &&
      (!isDerived(field) || field.kind === 'copied'),
  )
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

function Apart({ book, table, draft, onChange }: Of<'apart'>) {
  const times = timesOf(book, table)
  const same = table.fields.filter(
    (field) => !isDerived(field) && ['link', 'line', 'code', 'choice', 'whole'].includes(field.kind),
  )
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
  const read = draft.unless.trim() ? readExpression(book, table, draft.unless) : undefined
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
        wrong={read && 'problem' in read ? read.problem : undefined}
        onChange={(unless) => onChange({ ...draft, unless })}
      />
    </>
  )
}

function Closed({ book, table, draft, onChange }: Of<'closed'>) {
  const read = draft.once.trim() ? readExpression(book, table, draft.once) : undefined
  return (
    <>
      <ExpressionBox
        id="rule-once"
        label="Nothing changes any more once"
        table={table}
        rows={1}
        source={draft.once}
        placeholder="State = 'done'"
        wrong={read && 'problem' in read ? read.problem : undefined}
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
