'use client'

import type { Field, Table } from '@/core/book'
import { writtenName } from '@/core/expressions'
import { Button, Labelled } from '@/ui/kit'

/** What is wrong with an expression, and where in it. */
export interface WrongPlace {
  readonly words: string
  readonly start: number
  readonly end: number
}

interface Props {
  readonly id: string
  readonly label: string
  readonly hint?: string
  readonly table: Table
  /** The fields to put in by a click; all of the table's where left out. */
  readonly offered?: readonly Field[]
  readonly source: string
  readonly placeholder?: string
  readonly wrong: WrongPlace | undefined
  /** What is said when it can be kept. */
  readonly sound?: string | undefined
  /** The name that every fact begins with, where rows of another table are spoken of. */
  readonly within?: string
  readonly rows?: number
  readonly autoFocus?: boolean
  readonly onChange: (source: string) => void
  readonly onLeave?: () => void
}

const mostOffered = 24

/** A box for an expression: checked with every letter, with the table's fields to put in by a click. */
export function ExpressionBox(props: Props) {
  const { id, label, hint, table, source, placeholder, wrong, sound, within, rows = 3, onChange, onLeave } = props
  const fields = (props.offered ?? table.fields).filter((field) => field.kind !== 'link' && field.kind !== 'file')
  const put = (name: string) => {
    onChange(
      `${source}${source === '' || source.endsWith(' ') ? '' : ' '}${within ? `${writtenName(within)}.` : ''}${writtenName(name)} `,
    )
    document.getElementById(id)?.focus()
  }
  return (
    <div className="flex flex-col gap-1.5">
      <Labelled label={label} htmlFor={id} hint={hint}>
        <textarea
          id={id}
          value={source}
          rows={rows}
          autoFocus={props.autoFocus}
          spellCheck={false}
          aria-invalid={wrong !== undefined}
          aria-describedby={`${id}-wrong`}
          placeholder={placeholder}
          onChange={(event) => onChange(event.target.value)}
          onBlur={onLeave}
          className="w-full rounded-md border border-ash-4 bg-paper px-2.5 py-1.5 font-mono text-[13px]"
        />
      </Labelled>
      <p id={`${id}-wrong`} role="status" className="min-h-5 text-[13px]">
        {wrong && <Wrong source={source} {...wrong} />}
        {!wrong && sound && <span className="text-spruce">✓ {sound}</span>}
      </p>
      <div role="group" aria-label="Put in a field" className="flex flex-wrap gap-1.5">
        {fields.slice(0, mostOffered).map((field) => (
          <Button key={field.id} small type="button" onClick={() => put(field.name)}>
            {field.name}
          </Button>
        ))}
      </div>
    </div>
  )
}

/** The place that is wrong, marked in the words themselves, and what is wrong with it. */
function Wrong({ source, words, start, end }: WrongPlace & { readonly source: string }) {
  const here = source.slice(start, end)
  return (
    <>
      {here && (
        <mark className="bg-brass-tint px-0.5 font-mono text-ink underline decoration-ember decoration-wavy">
          {here.slice(0, 60)}
        </mark>
      )}{' '}
      <span className="text-ember">{words}</span>
    </>
  )
}
