'use client'

import { createContext, type ReactNode, use, useEffect, useMemo } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import { type Book, type Field, tableOf } from '@/core/book'
import { displayOf, writtenStored } from '@/core/expressions'
import { isDerived, type Now, showValue, type Value } from '@/core/kinds'
import { formNow, type FormNow, plainForm } from '@/core/forms'
import { checkForm, type FormText, formLayout, type LiveValues, liveValues, readForm } from '@/core/records'
import type { LiveRecord } from '@/server/live'
import { useRecords } from '../records-context'
import type { FormAsks } from './form-asks'
import type { LinkedFacts } from './linked-values'
import { isMarked } from './problems'

const none: LiveValues = { own: {}, rows: {}, frozen: new Set() }
const LiveFacts = createContext<LiveValues>(none)
const NowContext = createContext<FormNow>(plainForm)
const LinkedContext = createContext<LinkedFacts | undefined>(undefined)

/** What the records that a form's links lead to say. */
export const useLinkedFacts = (): LinkedFacts | undefined => use(LinkedContext)

/** What shows, must be filled and is only read at this moment, by the conditions of the form. */
export const useFormNow = (): FormNow => use(NowContext)

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly now: Now
  readonly facts: LinkedFacts
  readonly asks: FormAsks
  readonly children: ReactNode
}

/** Whether a table or what is inset in its form has anything that more is asked for than is typed. */
const asksMore = (book: Book, tableId: string) =>
  [tableId, ...formLayout(book, tableId).insets.map((inset) => inset.table.id)].some(
    (id) => tableOf(book, id).fields.some(isDerived) || book.rules.some((rule) => rule.table === id),
  )

/** Keeps what is derived, and what conditions make of the form, up with what is typed. A form without either isn't watched. */
export function LiveFactsOf(props: Props) {
  const { book } = useRecords()
  return (
    <LinkedContext value={props.facts}>
      {props.asks.conditions.told.length > 0 || asksMore(book, props.tableId) ? (
        <Watching {...props} />
      ) : (
        props.children
      )}
    </LinkedContext>
  )
}

function Watching({ tableId, stored, now, facts, asks, children }: Props) {
  const { book } = useRecords()
  const { control, getValues, trigger, formState } = useFormContext<FormText>()
  useWatch({ control })
  const form = getValues()
  const { arrived, ask } = facts
  const wanted = new Set<string>()
  const linked = (field: string, ref: string) => {
    const found = facts.linked(field, ref)
    if (!found) wanted.add(`${field}~${ref}`)
    return found
  }
  const checked = readForm(book, tableId, form, now)
  const around = { book, tableId, form, checked, stored, linked, now }
  const live = liveValues(around)
  // Rules look at linked records too; asking them here says which facts are wanted.
  const ruled = checkForm(book, tableId, form, now, { stored, linked, read: checked })
  const { errors, isDirty } = formState
  const isWrong = (id: string) => isMarked(errors, id)
  const shape = useSame(formNow(asks.conditions, { live: around, begun: asks.begun, isWrong }))
  const concerned = new Set([
    ...Object.keys(ruled.problems).filter((id) => !(id in checked.problems)),
    ...Object.keys(errors.text ?? {}),
  ])
  useEffect(() => ask(wanted))
  useEffect(() => {
    // What has just come may break a rule, or heal it; what nobody has got to yet isn't judged.
    if (arrived > 0 && isDirty && concerned.size > 0) void trigger([...concerned].map((id) => `text.${id}` as const))
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [arrived])
  return (
    <LiveFacts value={live}>
      <NowContext value={shape}>{children}</NowContext>
    </LiveFacts>
  )
}

/** The same as before, as long as it says the same: the whole form would be drawn anew with each key otherwise. */
function useSame(shape: FormNow): FormNow {
  const told = JSON.stringify(Object.values(shape).map((ids: ReadonlySet<string>) => [...ids]))
  // eslint-disable-next-line react-hooks/exhaustive-deps
  return useMemo(() => shape, [told])
}

/** What a derived field shows now, written for people; `row` is the place of an inset row. */
export function useDerivedText(field: Field, row?: { readonly link: string; readonly at: number }): string | undefined {
  const { book } = useRecords()
  const live = use(LiveFacts)
  const value: Value | undefined = row ? live.rows[row.link]?.[row.at]?.[field.id] : live.own[field.id]
  const face = useMemo(() => displayOf(book, field), [book, field])
  if (value === undefined) return undefined
  const shown = showValue(value, face, book.look)
  return shown && face.unit ? `${shown} ${face.unit}` : shown
}

/** What a derived field of inset rows comes to, row by row. */
export const useDerivedRows = (link: string) => use(LiveFacts).rows[link]

/** When a derived field stays as it was, in words; undefined while it moves with what it is made from. */
export function useFrozenWords(field: Field): string | undefined {
  const { book } = useRecords()
  const live = use(LiveFacts)
  if (!live.frozen.has(field.id) || field.freezes === undefined) return undefined
  return `Stays as it was since ${writtenStored(book, field.freezes)}`
}
