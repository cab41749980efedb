'use client'

import { type FormEvent, useState } from 'react'
import { officeNow } from '@/app/office-now'
import { type Book, type Condition, type List, type Table, tableOf } from '@/core/book'
import {
  type ConditionDraft,
  conditionsOf,
  draftOfCondition,
  type HasDraft,
  placed,
  sayCondition,
  sayDraft,
} from '@/core/lists'
import { capital, counted, inSentence, plural, wordProblem } from '@/core/words'
import { Button, Dialog } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useRecords } from '../../records-context'
import { useSettled } from '../../use-settled'
import { useListCount } from '../use-list-lines'
import { ConditionParts } from './condition-parts'

interface Props {
  readonly list: List
  readonly given: Readonly<Record<string, string>>
  /** Which of the list's conditions; none for a new one. */
  readonly at: number | undefined
  /** It stands by itself: nothing of the records is shown for it, and nothing is asked when it is looked at. */
  readonly alone?: boolean
  readonly onClose: () => void
  readonly onKeep: (asked: Pick<List, 'where' | 'asks'>) => void
}

/** Ids that are the same ones each time they are given out from the first on. */
class Ids {
  private readonly given: string[] = []
  from = (at: number) => () => (this.given[at++] ??= freshId())
}

/** What a draft comes to: the list's conditions with it, and how many records they leave. */
function useTried({ list, given, at }: Pick<Props, 'list' | 'given' | 'at'>, draft: ConditionDraft | undefined) {
  const { book, base } = useRecords()
  const table = tableOf(book, list.table)
  // What is asked stays the same question while the draft changes.
  const [ids] = useState(() => new Ids())
  const said = draft && sayDraft({ book, table, now: officeNow(), newId: ids.from(0) }, draft)
  const next = said?.ok ? placed(list, at, said.value) : said
  // Not with every letter.
  const tried = useSettled(JSON.stringify(next ?? null), 300)
  const wished = next?.ok ? { ...list, ...next.value } : list
  const count = useListCount(base, wished, given, Boolean(next?.ok) && tried === JSON.stringify(next))
  return { said, next, count: count.data }
}

/** How many have what is asked about, and how many have none of it, before one of them is chosen. */
function HaveOrNot({ list, given, at, draft }: Pick<Props, 'list' | 'given' | 'at'> & { readonly draft: HasDraft }) {
  const some: HasDraft = { ...draft, amount: 'some' }
  const have = useTried({ list, given, at }, some).count
  const { base } = useRecords()
  const others = at === undefined ? undefined : placed(list, at, undefined)
  const all = useListCount(base, others?.ok ? { ...list, ...others.value } : list, given, true).data
  if (have === undefined || all === undefined) return null
  const none = all - have
  return (
    <p className="text-[13px] text-ash-6">
      <b className="font-semibold">{have.toLocaleString('en-GB')}</b> {have === 1 ? 'has' : 'have'} one,{' '}
      <b className="font-semibold">{none.toLocaleString('en-GB')}</b> {none === 1 ? 'has' : 'have'} none;{' '}
      {all.toLocaleString('en-GB')} in all.
    </p>
  )
}

/** Puts a condition together; what it says, and how many records it leaves, is told before it is kept. */
export function ConditionDialog({ list, given, at, alone, onClose, onKeep }: Props) {
  const { book } = useRecords()
  const table = tableOf(book, list.table)
  const conditions = conditionsOf(list)
  const current = at === undefined ? undefined : conditions[at]
  const [draft, setDraft] = useState(() => current && draftOfCondition(book, table, current, list.asks))
  const tried = useTried({ list, given, at }, draft)
  const { next } = tried
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (next?.ok) onKeep(next.value)
  }
  const without = () => {
    const left = placed(list, at, undefined)
    if (left.ok) onKeep(left.value)
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`Only ${plural(inSentence(table.name))} …`}
      actions={
        <>
          {at !== undefined && (
            <Button look="ember" className="mr-auto" onClick={without}>
              Remove the condition
            </Button>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="main"
            type="submit"
            form="list-condition"
            disabled={!next?.ok || (alone === true && next.value.asks.length > 0)}
          >
            {alone ? 'Use it' : 'Show them'}
          </Button>
        </>
      }
    >
      <form id="list-condition" onSubmit={keep} className="mt-2 flex flex-col gap-3">
        {current && !draft && <p className="text-ash-6">{capital(sayCondition(book, list.table, current, list))}.</p>}
        {(draft ?? !current) && (
          <ConditionParts
            id="condition"
            label="What is asked"
            none="Choose …"
            list={list.id}
            table={table}
            draft={draft}
            depth={0}
            onChange={setDraft}
          />
        )}
        {draft?.kind === 'has' && !draft.not && <HaveOrNot list={list} given={given} at={at} draft={draft} />}
        <SaidSoFar table={table} tried={tried} alone={alone} />
      </form>
    </Dialog>
  )
}

interface SoFar {
  readonly table: Table
  readonly tried: ReturnType<typeof useTried>
  readonly alone: boolean | undefined
}

/** What the condition says and how many it leaves, or what it still lacks. */
function SaidSoFar({ table, tried: { said, next, count }, alone }: SoFar) {
  const { book } = useRecords()
  return (
    <p role="status" className="min-h-5 text-[13px] text-ash-6">
      {next && !next.ok && wordProblem(next.problem)}
      {alone && next?.ok && next.value.asks.length > 0 && 'Nobody is asked here. Give a value.'}
      {next?.ok && said?.ok && sayTried(book, table, said.value.condition, next.value.asks, count)}
    </p>
  )
}

/** "Each visit that has no payment: 518 visits". */
function sayTried(
  book: Book,
  table: Table,
  condition: Condition,
  asks: List['asks'],
  count: number | undefined,
): string {
  const noun = inSentence(table.name)
  const left = count === undefined ? ' …' : `: ${counted(count, noun)}`
  return `Each ${noun} ${sayCondition(book, table.id, condition, { asks })}${left}`
}
