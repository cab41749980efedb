'use client'

import Link from 'next/link'
import { type Book, findField, findTable } from '@/core/book'
import { type Dependency, type Focus, sayDependency, type Trace } from '@/core/map'
import { Button, WordButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly focus: Focus
  readonly trace: Trace
  readonly onPress: (focus: Focus | undefined) => void
  /** Shows what is made from what on the map; missing where it is shown already. */
  readonly onMadeFrom: (() => void) | undefined
}

/** What is looked at, sentence by sentence: what it is made from and what is made from it, as far as it goes. */
export function TraceNote({ focus, trace, onPress, onMadeFrom }: Props) {
  const { id, book } = useWorkshop()
  const found = focus.kind === 'field' ? findField(book, focus.field) : undefined
  const toField = (field: string) => onPress({ kind: 'field', field })
  return (
    <section
      aria-label="What is made from what"
      className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]"
    >
      <h3 className="font-bold">{headOf(book, focus)}</h3>
      {focus.kind !== 'field' && <Sentences of={trace.own} near="to" onField={toField} />}
      <h4 className="mt-2 font-semibold text-ash-6">Made from</h4>
      {trace.on.length === 0 && <p>{focus.kind === 'field' ? 'Nothing: it is typed.' : 'Nothing further.'}</p>}
      <Sentences of={trace.on} near="from" onField={toField} />
      <h4 className="mt-2 font-semibold text-ash-6">Used by</h4>
      {trace.of.length === 0 && <p>{focus.kind === 'field' ? 'Nothing.' : 'Nothing further.'}</p>}
      <Sentences of={trace.of} near="to" onField={toField} />
      <div className="mt-2 flex flex-wrap items-center gap-3 border-t border-ash-3 pt-2">
        <Button small onClick={() => onPress(undefined)}>
          Back
        </Button>
        {onMadeFrom && <WordButton onClick={onMadeFrom}>Show it on the map</WordButton>}
        {found && (
          <Link
            href={`/books/${id}/workshop/tables?table=${found.table.id}&field=${found.field.id}`}
            className="font-semibold text-spruce underline underline-offset-2"
          >
            Go to the field
          </Link>
        )}
      </div>
    </section>
  )
}

function headOf(book: Book, focus: Focus): string {
  if (focus.kind === 'rule') return book.rules.find(({ id }) => id === focus.rule)?.words ?? ''
  if (focus.kind === 'stream')
    return `${findTable(book, focus.to)?.name ?? ''} from ${findTable(book, focus.from)?.name ?? ''}`
  const found = findField(book, focus.field)
  return found ? `${found.table.name} → ${found.field.name}` : ''
}

interface SentencesProps {
  readonly of: readonly Dependency[]
  /** Which end a sentence leads to when it is pressed. */
  readonly near: 'from' | 'to'
  readonly onField: (field: string) => void
}

function Sentences({ of, near, onField }: SentencesProps) {
  const { book } = useWorkshop()
  return (
    <ul className="flex flex-col gap-1">
      {of.map((one) => (
        <li key={one.id}>
          <button
            type="button"
            onClick={() => onField(one[near])}
            className="min-h-7 w-full rounded-sm px-1 text-left hover:bg-ash-2"
          >
            {sayDependency(book, one)}
          </button>
        </li>
      ))}
    </ul>
  )
}
