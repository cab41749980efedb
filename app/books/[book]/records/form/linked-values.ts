'use client'

import { useRef, useState } from 'react'
import { fieldWith, type FormLines } from '@/core/book'
import { nodesOf } from '@/core/expressions'
import { type PartConditions, partsInOrder } from '@/core/forms'
import type { LinkedValues, Values } from '@/core/records'
import { useRecords } from '../records-context'

const pauseBeforeAskingAgain = 2000
/** So many at a time: an address has no room for many more. */
const askedAtOnce = 50

export interface LinkedFacts {
  readonly linked: LinkedValues
  /** How often facts have arrived. */
  readonly arrived: number
  /** Fetches what isn't here yet: `FIELD~REFERENCE`. */
  readonly ask: (wanted: ReadonlySet<string>) => void
  /** Everything is fetched anew. */
  readonly forget: () => void
}

/** The ways to facts that a form shows, or asks for, of what a link leads to, by the link's field. */
export type ShownOfLinked = Readonly<Record<string, readonly string[]>>

/** What a form shows, or asks in its conditions, of what its links lead to. */
export function shownOfLinked(lines: FormLines, { told }: PartConditions): ShownOfLinked {
  const shown: Record<string, string[]> = {}
  for (const part of partsInOrder(lines)) if (part.kind === 'linked') (shown[part.link] ??= []).push(part.field)
  for (const { tree } of told)
    for (const node of tree ? nodesOf(tree) : []) {
      if (node.kind !== 'fact') continue
      const [link, ...rest] = node.over
      if (link !== undefined) (shown[link] ??= []).push([...rest, node.field].join('/'))
    }
  return shown
}

/** Facts of the records that a form's links lead to, fetched once each. */
export function useLinkedValues(shown: ShownOfLinked): LinkedFacts {
  const { book, base } = useRecords()
  const [linked, setLinked] = useState<ReadonlyMap<string, Values>>(new Map())
  const asked = useRef(new Set<string>())
  const ask = (wanted: ReadonlySet<string>) => {
    const fresh = [...wanted].filter((one) => !asked.current.has(one))
    const byTable = new Map<string, string[]>()
    for (const one of fresh) {
      const { table } = fieldWith(book, one.slice(0, one.indexOf('~')))
      byTable.set(table.id, [...(byTable.get(table.id) ?? []), one])
    }
    for (const one of fresh) asked.current.add(one)
    for (const [table, all] of byTable)
      for (let from = 0; from < all.length; from += askedAtOnce) {
        const some = all.slice(from, from + askedAtOnce)
        void fetchFacts(`${base}/${table}/facts?${factsQuery(some, shown)}`, some, asked.current, setLinked)
      }
  }
  const forget = () => {
    asked.current.clear()
    setLinked(new Map())
  }
  return { linked: (field, ref) => linked.get(`${field}~${ref}`), arrived: linked.size, ask, forget }
}

function factsQuery(all: readonly string[], shown: ShownOfLinked): string {
  const links = new Set(all.map((one) => one.slice(0, one.indexOf('~'))))
  return new URLSearchParams([
    ...all.map((one) => ['of', one]),
    ...Object.entries(shown).flatMap(([link, fields]) =>
      links.has(link) ? fields.map((field) => ['also', `${link}~${field}`]) : [],
    ),
  ]).toString()
}

async function fetchFacts(
  address: string,
  all: readonly string[],
  asked: Set<string>,
  setLinked: (change: (before: ReadonlyMap<string, Values>) => ReadonlyMap<string, Values>) => void,
) {
  const answer = await fetch(address).catch(() => undefined)
  const found = answer?.ok ? ((await answer.json()) as Record<string, Values | null>) : undefined
  if (!found) {
    await new Promise((later) => setTimeout(later, pauseBeforeAskingAgain))
    for (const one of all) asked.delete(one)
  }
  // Drawn again in any case, so that what didn't come is asked for again.
  setLinked(
    (before) => new Map([...before, ...Object.entries(found ?? {}).map(([one, facts]) => [one, facts ?? {}] as const)]),
  )
}
