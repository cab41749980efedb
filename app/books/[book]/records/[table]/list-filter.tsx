'use client'

import { Funnel, X } from 'lucide-react'
import { type FormEvent, useMemo, useState } from 'react'
import type { Book, Table } from '@/core/book'
import { type Condition, subjectsOf, writeCondition } from '@/core/rules'
import { inSentence, plural, wordProblem } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'
import { ConditionParts } from '../../conditions/condition-parts'

/** What a list is narrowed to: conditions that all hold. */
export type Filter = readonly Condition[]

const blank: Condition = { subject: '', operator: '=', against: { value: '' } }

interface Props {
  readonly book: Book
  readonly table: Table
  readonly filter: Filter
  readonly onChange: (filter: Filter) => void
}

/** Adds a condition to a list, by any fact of its records, derived ones and those of linked records too. */
export function FilterButton({ book, table, filter, onChange }: Props) {
  const [condition, setCondition] = useState<Condition>()
  const subjects = useMemo(() => subjectsOf(book, table), [book, table])
  const made = condition && writeCondition(book, table, condition)
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!condition || !made || 'missing' in made) return
    onChange([...filter, condition])
    setCondition(undefined)
  }
  return (
    <>
      <Button onClick={() => setCondition(blank)}>
        <Funnel size={15} aria-hidden /> Filter
      </Button>
      {condition && made && (
        <Dialog
          open
          wide
          onClose={() => setCondition(undefined)}
          title={`Only ${plural(inSentence(table.name))} where`}
          actions={
            <>
              <Button onClick={() => setCondition(undefined)}>Cancel</Button>
              <Button look="main" type="submit" form="list-filter" disabled={'missing' in made}>
                Show them
              </Button>
            </>
          }
        >
          <form id="list-filter" onSubmit={keep} className="mt-2 flex flex-col gap-3">
            <ConditionParts id="filter" subjects={subjects} condition={condition} onChange={setCondition} />
            <p role="status" className="min-h-5 text-[13px] text-ash-6">
              {'missing' in made ? wordProblem(made.missing) : `Only where ${inSentence(made.state)}.`}
            </p>
          </form>
        </Dialog>
      )}
    </>
  )
}

/** What the list is narrowed to, each part to be taken away again. */
export function FilterChips({ book, table, filter, onChange }: Props) {
  if (filter.length === 0) return null
  return (
    <ul aria-label="Only where" className="flex flex-wrap items-center gap-2 px-6 pb-3 max-md:px-3">
      {filter.map((condition, at) => {
        const made = writeCondition(book, table, condition)
        const words = 'state' in made ? made.state : condition.subject
        return (
          <li
            key={`${at} ${words}`}
            className="flex items-center gap-1 rounded-full bg-spruce-tint py-0.5 pr-1 pl-3 text-[13px]"
          >
            {words}
            <button
              type="button"
              aria-label={`No longer only where ${words}`}
              onClick={() => onChange(filter.filter((_, other) => other !== at))}
              className="grid size-6 place-items-center rounded-full hover:bg-ash-2"
            >
              <X size={13} aria-hidden />
            </button>
          </li>
        )
      })}
    </ul>
  )
}
