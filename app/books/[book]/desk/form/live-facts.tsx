'use client'

import { createContext, type ReactNode, use, useEffect, useMemo, useRef, useState } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import { type Book, type Field, findField } from '@/core/book'
import { faceOf } from '@/core/expressions'
import { isDerived, type Now, showValue, type Value } from '@/core/kinds'
import { checkForm, type FormText, formLayout, type LiveValues, liveValues, type Values } from '@/core/records'
import type { LiveRecord } from '@/server/live'
import { useDesk } from '../desk-context'

const none: LiveValues = { own: {}, rows: {} }
const LiveFacts = createContext<LiveValues>(none)

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly now: Now
  readonly children: ReactNode
}

const hasDerived = (book: Book, tableId: string) =>
  [tableId, ...formLayout(book, tableId).insets.map((inset) => inset.table.id)].some((id) =>
    book.tables.find((table) => table.id === id)?.fields.some(isDerived),
  )

/** Keeps what is derived up with what is typed. A form without anything derived isn't watched. */
export function LiveFactsOf(props: Props) {
  const { book } = useDesk()
  return hasDerived(book, props.tableId) ? <Watching {...props} /> : props.children
}

function Watching({ tableId, stored, now, children }: Props) {
  const { book } = useDesk()
  const { control, getValues } = useFormContext<FormText>()
  useWatch({ control })
  const form = getValues()
  const { linked, ask } = useLinkedValues()
  const wanted = new Set<string>()
  const live = liveValues({
    book,
    tableId,
    form,
    checked: checkForm(book, tableId, form, now),
    stored,
    linked: (field, ref) => linked.get(`${field}~${ref}`) ?? (wanted.add(`${field}~${ref}`), undefined),
    now,
  })
  useEffect(() => ask(wanted))
  return <LiveFacts value={live}>{children}</LiveFacts>
}

/** Facts of linked records, fetched once each. */
function useLinkedValues() {
  const { book, base } = useDesk()
  const [linked, setLinked] = useState<ReadonlyMap<string, Values>>(new Map())
  const asked = useRef(new Set<string>())
  const ask = (wanted: ReadonlySet<string>) => {
    const fresh = [...wanted].filter((one) => !asked.current.has(one))
    const byTable = new Map<string, string[]>()
    for (const one of fresh) {
      const { table } = findField(book, one.slice(0, one.indexOf('~')))!
      byTable.set(table.id, [...(byTable.get(table.id) ?? []), one])
    }
    for (const one of fresh) asked.current.add(one)
    for (const [table, all] of byTable) void fetchFacts(`${base}/${table}/facts`, all, asked.current, setLinked)
  }
  return { linked, ask }
}

async function fetchFacts(
  address: string,
  all: readonly string[],
  asked: Set<string>,
  setLinked: (change: (before: ReadonlyMap<string, Values>) => ReadonlyMap<string, Values>) => void,
) {
  const answer = await fetch(`${address}?${new URLSearchParams(all.map((one) => ['of', one]))}`).catch(() => undefined)
  const found = answer?.ok ? ((await answer.json()) as Record<string, Values | null>) : undefined
  // What didn't come is asked for again with the next change.
  if (!found) for (const one of all) asked.delete(one)
  else
    setLinked(
      (before) => new Map([...before, ...Object.entries(found).map(([one, facts]) => [one, facts ?? {}] as const)]),
    )
}

/** What a derived field shows now, written for people; `row` is the place of an inset row. */
export function useDerivedText(field: Field, row?: { readonly link: string; readonly at: number }): string | undefined {
  const { book } = useDesk()
  const live = use(LiveFacts)
  const value: Value | undefined = row ? live.rows[row.link]?.[row.at]?.[field.id] : live.own[field.id]
  const face = useMemo(() => faceOf(book, field), [book, field])
  if (value === undefined) return undefined
  const shown = showValue(value, face, book.look)
  return shown && face.unit ? `${shown} ${face.unit}` : shown
}
