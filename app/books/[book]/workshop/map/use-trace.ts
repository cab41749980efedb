'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Book } from '@/core/book'
import { fieldsOfTrace, type Focus, isStream, type MadeFromKind, tableOfField, type Trace, traceOf } from '@/core/map'
import type { Lit } from '@/ui/drawing/map/picture'
import type { DrawnSheet } from './use-map'

export interface Traced {
  /** What was pressed, or is pointed at. */
  readonly focus: Focus | undefined
  readonly trace: Trace | undefined
  readonly lit: Lit | undefined
  readonly press: (focus: Focus | undefined) => void
  readonly point: (focus: Focus | undefined) => void
}

/** How long the pointer rests on something before its trace is shown, in milliseconds: passing over lights nothing. */
const rest = 120

/** What is looked at on the map, and everything that it is made from or that is made from it. */
export function useTrace(book: Book, sheet: DrawnSheet | undefined, kinds: ReadonlySet<MadeFromKind>): Traced {
  const [pressed, setPressed] = useState<Focus>()
  const [pointed, setPointed] = useState<Focus>()
  const timer = useRef(0)
  useEffect(() => () => clearTimeout(timer.current), [])
  const press = useCallback((focus: Focus | undefined) => {
    clearTimeout(timer.current)
    setPointed(undefined)
    setPressed(focus)
  }, [])
  const point = useCallback((focus: Focus | undefined) => {
    clearTimeout(timer.current)
    timer.current = window.setTimeout(() => setPointed(focus), rest)
  }, [])
  const view = sheet?.reading.view ?? 'links'
  const focus = pressed ?? (view === 'made-from' ? pointed : undefined)
  const trace = useMemo(
    () => focus && traceOf(book, focus, new Set(view === 'links' ? [...kinds, 'link' as const] : kinds)),
    [book, focus, kinds, view],
  )
  const lit = useMemo((): Lit | undefined => {
    if (!trace || !focus || !sheet) return undefined
    const fields = fieldsOfTrace(focus, trace)
    const tables = new Set([...fields].flatMap((field) => tableOfField(book, field) ?? []))
    if (sheet.reading.view === 'links') return { fields, tables }
    const all = new Set([...trace.own, ...trace.on, ...trace.of])
    const lines = sheet.lines.filter((line) => isStream(line) && line.of.some((one) => all.has(one)))
    return { fields, tables, lines: new Set(lines.map(({ id }) => id)) }
  }, [book, focus, trace, sheet])
  return { focus, trace, lit, press, point }
}
