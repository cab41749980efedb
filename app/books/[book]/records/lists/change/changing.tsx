'use client'

import { useQueryClient } from '@tanstack/react-query'
import { createContext, type ReactNode, use, useState } from 'react'
import { answered } from '@/app/answered'
import type { Table } from '@/core/book'
import type { Values } from '@/core/records'
import { counted, inSentence, type Problem, wordProblem } from '@/core/words'
import type { ChangedOne, ListLine, TogetherOutcome, TogetherRequest } from '@/server/live'
import { together } from '../../actions'
import { useRecords } from '../../records-context'
import { readsOfLists } from '../use-list-lines'

/** A record as a list shows it. */
export type Shown = Pick<ListLine, 'ref' | 'rev'>

/** What was done last, and how it is taken back; a removal can't be. */
export interface Done {
  readonly words: string
  readonly back?: readonly ChangedOne[]
}

export type Sent = { readonly kind: 'done' } | { readonly kind: 'wrong'; readonly words: string } | Warned
export type Warned = Extract<TogetherOutcome, { kind: 'warned' }>

export interface Changing {
  readonly table: Table
  readonly marked: ReadonlyMap<string, Shown>
  readonly mark: (records: readonly Shown[], on: boolean) => void
  readonly done: Done | undefined
  readonly forget: () => void
  readonly change: (records: readonly Shown[], values: Values, despite?: readonly string[]) => Promise<Sent>
  readonly remove: (records: readonly Shown[]) => Promise<Sent>
  readonly takeBack: () => Promise<Sent>
}

const ChangingContext = createContext<Changing | undefined>(undefined)

/** Nothing where records can't be changed here. */
export const useChanging = () => use(ChangingContext)

/** All that shows records, so that it is read again. */
const shownBy = [...readsOfLists, 'rows']

/** Lets the records of a list be marked, changed and removed where they stand. */
export function ChangingRecords({ table, children }: { readonly table: Table; readonly children: ReactNode }) {
  const { mayChange } = useRecords()
  const changing = useChangingRecords(table)
  return <ChangingContext value={mayChange ? changing : undefined}>{children}</ChangingContext>
}

function useChangingRecords(table: Table): Changing {
  const { id, book } = useRecords()
  const queries = useQueryClient()
  const [marked, setMarked] = useState<ReadonlyMap<string, Shown>>(new Map())
  const [done, setDone] = useState<Done>()
  const noun = inSentence(table.name)

  const mark = (records: readonly Shown[], on: boolean) =>
    setMarked((before) => {
      const next = new Map(before)
      for (const { ref, rev } of records) {
        if (on) next.set(ref, { ref, rev })
        else next.delete(ref)
      }
      return next
    })

  async function send(request: TogetherRequest, said: (records: readonly ChangedOne[]) => Done): Promise<Sent> {
    const result = await answered(sendWhenOpen(() => together(id, request)))
    if (!result.ok) return { kind: 'wrong', words: wordProblem(result.problem) }
    const outcome = result.value
    if (outcome.kind === 'warned') return outcome
    if (outcome.kind === 'waits')
      return { kind: 'wrong', words: wordProblem({ kind: 'being-opened', book: book.name }) }
    if (outcome.kind === 'refused') return { kind: 'wrong', words: sayRefused(outcome, request.records.length) }
    setDone(said(outcome.records))
    setMarked((before) => afterwards(before, request, outcome.records))
    await Promise.all(shownBy.map((name) => queries.invalidateQueries({ queryKey: [name] })))
    return { kind: 'done' }
  }

  return {
    table,
    marked,
    mark,
    done,
    forget: () => setDone(undefined),
    change: (records, values, despite = []) =>
      send(
        {
          table: table.id,
          records: records.map(({ ref, rev }) => ({ ref, rev, values: { ...values } })),
          ...(despite.length > 0 && { despite: [...despite] }),
        },
        (changed) => ({ words: `${counted(changed.length, noun)} changed.`, back: changed }),
      ),
    remove: (records) =>
      send(
        { table: table.id, records: records.map(({ ref, rev }) => ({ ref, rev, values: {} })), remove: true },
        () => ({ words: `${counted(records.length, noun)} removed.` }),
      ),
    takeBack: () =>
      send(
        {
          table: table.id,
          records: (done?.back ?? []).map(({ ref, rev, before }) => ({ ref, rev, values: { ...before } })),
          // It was so before: what only warns was read then.
          despite: book.rules.filter(({ warns }) => warns).map((rule) => rule.id),
        },
        (changed) => ({ words: `${counted(changed.length, noun)} ${changed.length === 1 ? 'is' : 'are'} as before.` }),
      ),
  }
}

/** What is marked once some of it was changed or removed: as it is now. */
function afterwards(
  marked: ReadonlyMap<string, Shown>,
  { records, remove }: TogetherRequest,
  changed: readonly ChangedOne[],
): ReadonlyMap<string, Shown> {
  const next = new Map(marked)
  if (remove) for (const { ref } of records) next.delete(ref)
  for (const { ref, rev } of changed) if (next.has(ref)) next.set(ref, { ref, rev })
  return next
}

function sayRefused({ record, problem }: { readonly record: string; readonly problem: Problem }, of: number): string {
  const words = wordProblem(problem)
  if (of === 1 || !record) return words
  return `${record}: ${words} Nothing was changed.`
}

/** How long one waits for an opening, in milliseconds, and how often it is looked whether it has come to its end. */
const patience = 120_000
const pause = 800

async function sendWhenOpen(ask: () => ReturnType<typeof together>): ReturnType<typeof together> {
  const until = Date.now() + patience
  for (;;) {
    const result = await ask()
    if (!result.ok || result.value.kind !== 'waits' || Date.now() > until) return result
    await new Promise((done) => setTimeout(done, pause))
  }
}
