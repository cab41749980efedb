'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Book } from '@/core/book'
import {
  type AnyLine,
  type Box,
  type DrawnMap,
  type MadeFromKind,
  type MapCard,
  mapCards,
  mapLines,
  type MapReading,
  type Spots,
} from '@/core/map'
import { drawMapApart } from '@/workers/draw-map'

const plainReading: MapReading = { detail: 'fields', sense: 'office', view: 'links' }
const isPlain = ({ detail, sense, view }: MapReading) =>
  detail === plainReading.detail && sense === plainReading.sense && view === plainReading.view

export interface DrawnSheet {
  readonly reading: MapReading
  readonly cards: readonly MapCard[]
  readonly lines: readonly AnyLine[]
  readonly drawn: DrawnMap
}

export interface LaidMap {
  /** The newest drawing; undefined until there is one. */
  readonly sheet: DrawnSheet | undefined
  readonly busy: boolean
  /** Spots of some cards as they stand in this reading, in the units in which they are kept. */
  readonly kept: (boxes: ReadonlyMap<string, { readonly x: number; readonly y: number }>) => Spots
  /** Lays everything out again that wasn't put somewhere. */
  readonly again: () => void
  /** How often that was done before this drawing. */
  readonly turn: number
}

interface KnownSheet extends DrawnSheet {
  readonly id: string
  readonly shape: string
  readonly turn: number
}

/** Whoever comes back to a map that is as it was sees it at once. */
let lastDrawn: KnownSheet | undefined

/**
 * The map of a book in one reading, drawn in a worker. Cards that nobody put anywhere stay where this browser saw
 * them last, so that one more table moves no other.
 */
export function useMap(id: string, book: Book, reading: MapReading, kinds: ReadonlySet<MadeFromKind>): LaidMap {
  const [turn, setTurn] = useState(0)
  const cards = useMemo(() => mapCards(book, reading), [book, reading])
  const lines = useMemo(() => mapLines(book, reading, kinds), [book, reading, kinds])
  const spots = useMemo(
    () =>
      Object.fromEntries(
        book.tables.flatMap(({ id: table, spot }) => (spot ? [[table, { x: spot.x, y: spot.y }]] : [])),
      ),
    [book.tables],
  )
  // What makes the drawing another one; a rule or a need doesn't.
  const shape = useMemo(
    () => JSON.stringify([cards, lines, spots, turn, reading]),
    [cards, lines, spots, turn, reading],
  )
  const [sheet, setSheet] = useState(() => (lastDrawn?.id === id && lastDrawn.shape === shape ? lastDrawn : undefined))
  useEffect(() => {
    if (sheet?.shape === shape) return
    let ended = false
    const known = { ...remembered(id), ...spots }
    void drawMapApart({ cards, lines, spots: known, resized: !isPlain(reading) }).then((drawn) => {
      if (ended) return
      if (isPlain(reading)) remember(id, drawn.boxes, spots)
      lastDrawn = { id, reading, cards, lines, drawn, shape, turn }
      setSheet(lastDrawn)
    })
    return () => {
      ended = true
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, shape])

  const factor = sheet?.drawn.factor ?? 1
  const kept = useCallback(
    (boxes: ReadonlyMap<string, { readonly x: number; readonly y: number }>) =>
      Object.fromEntries([...boxes].map(([table, { x, y }]) => [table, { x: x / factor, y: y / factor }])),
    [factor],
  )
  const again = useCallback(() => {
    localStorage.removeItem(placeOf(id))
    setTurn((before) => before + 1)
  }, [id])
  return { sheet, busy: sheet?.shape !== shape, kept, again, turn: sheet?.turn ?? 0 }
}

const placeOf = (id: string) => `hearth-map-${id}`

function remembered(id: string): Spots {
  try {
    return JSON.parse(localStorage.getItem(placeOf(id)) ?? '{}') as Spots
  } catch {
    return {}
  }
}

/** A card that somebody put somewhere is remembered as it was before, so that undoing that puts it back. */
function remember(id: string, boxes: ReadonlyMap<string, Box>, placed: Spots): void {
  const unplaced = [...boxes].filter(([table]) => !placed[table])
  const spots = { ...remembered(id), ...Object.fromEntries(unplaced.map(([table, { x, y }]) => [table, { x, y }])) }
  try {
    localStorage.setItem(placeOf(id), JSON.stringify(spots))
  } catch {
    // A browser that keeps nothing lays the map out anew each time.
  }
}
