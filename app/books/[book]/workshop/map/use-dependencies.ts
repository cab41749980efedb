'use client'

import { useMemo } from 'react'
import type { Book } from '@/core/book'
import { bowsOf, dependencies, type DependencyKind, tableOfField, traceOf } from '@/core/map'
import type { DrawnSheet } from './use-map'

/** What the chosen field depends on and what depends on it, and the bows that the map shows. */
export function useDependencies(
  book: Book,
  sheet: DrawnSheet | undefined,
  field: string | undefined,
  kinds: ReadonlySet<DependencyKind>,
) {
  const trace = useMemo(() => (field ? traceOf(book, field, kinds) : undefined), [book, field, kinds])
  const lit = useMemo(
    () => trace && new Set([field!, ...[...trace.on, ...trace.of].flatMap(({ from, to }) => [from, to])]),
    [trace, field],
  )
  const bows = useMemo(() => {
    if (!sheet) return []
    const isAcross = ({ from, to }: { from: string; to: string }) => tableOfField(book, from) !== tableOfField(book, to)
    const all = trace ? [...trace.on, ...trace.of] : dependencies(book).filter(isAcross)
    // Links have lines of their own.
    const drawn = [...new Set(all)].filter(({ kind }) => kind !== 'link' && kinds.has(kind))
    const words = sheet.drawn.labels.map(({ box }) => box)
    return bowsOf(drawn, sheet.cards, sheet.drawn.boxes, (one) => tableOfField(book, one), words)
  }, [sheet, trace, kinds, book])
  return { trace, lit, bows }
}
