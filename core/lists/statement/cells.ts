import type { Book, Field } from '../../book'
import { kindOf, type Value } from '../../kinds'
import { leafOf } from '../../physical'
import { refOf } from '../../records'
import { joinPlan, type LabelPiece } from '../label'
import type { StoredRow } from '../row-reader'
import { type At, fieldAtAlias, type Reach, valueAt } from './reach'

/** What a link leads to: the reference of its record, and what that is known by. */
export interface LinkCell {
  readonly ref: string
  readonly label: string
}
/** One value of a list as it is kept; a link with its words. */
export type Cell = Value | LinkCell

/** A value in a statement: what is selected for it, and how it is read from there. */
export interface CellPlan {
  readonly selects: readonly string[]
  readonly read: (row: StoredRow, slot: number) => Cell
}

/** A plain value that looks like a field. */
export function valuePlan(sql: string, face: Field): CellPlan {
  const { load } = kindOf(face.kind)
  const read = (row: StoredRow, slot: number) => {
    const stored = row[slot] ?? null
    return stored === null ? null : load(stored)
  }
  return { selects: [sql], read }
}

/** A field of a record that a query has at hand. */
export function fieldPlan(reach: Reach, at: At, field: Field, face: Field): CellPlan {
  if (field.kind === 'link') return linkPlan(reach, at, field)
  return valuePlan(valueAt(reach.book, reach.names, at, field), face)
}

function linkPlan(reach: Reach, at: At, field: Field): CellPlan {
  const { book, names } = reach
  const plan = joinPlan(book, names, at.table, field, at.alias)
  reach.add(plan.joins.map(({ sql }) => sql))
  const own = fieldAtAlias(names, at, field.id)
  const leaves = names.columns(at.table.id, field.id).map(({ leaf }) => kindOf(leafOf(book, leaf).kind).load)
  return {
    selects: [...own, ...plan.pieces.map(({ sql }) => sql)],
    read(row, slot) {
      const key = own.map((_, place) => row[slot + place] ?? null)
      if (key.some((part) => part === null)) return null
      const words = plan.pieces.map((piece, place) => wordOf(book, piece, row[slot + own.length + place] ?? null))
      return { ref: refOf(key.map((part, place) => leaves[place]!(part!))), label: words.filter(Boolean).join(', ') }
    },
  }
}

/** A part of what a record is known by, as people write it. */
export function wordOf(book: Book, { field }: LabelPiece, stored: string | number | null): string {
  if (stored === null) return ''
  const { load, show } = kindOf(field.kind)
  return show(load(stored), field, book.look)
}
