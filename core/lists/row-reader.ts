import type { Book, Field } from '../book'
import { kindOf, type Value } from '../kinds'
import { type ListRow, refOf } from '../records'
import type { LabelPiece } from './label'

interface Slot {
  /** The column's place in the row. */
  readonly slot: number
  readonly leaf: Field
}

interface RowPlan {
  readonly key: readonly Slot[]
  readonly own: readonly LabelPiece[]
  readonly labelSlots: readonly number[]
  readonly fields: readonly {
    readonly field: Field
    readonly columns: readonly Slot[]
    readonly pieces: readonly LabelPiece[]
    readonly slots: readonly number[]
  }[]
  readonly sortSlots: readonly number[]
  /** Where the row's own columns begin: revision, when it was changed, by whom. */
  readonly ownSlot: number
}

/** A row as it comes: values in the order of the selected columns. */
export type StoredRow = readonly (string | number | null)[]

/** Everything that doesn't change from row to row is worked out once; a list has hundreds of rows. */
export function rowReader(book: Book, plan: RowPlan): (row: StoredRow) => ListRow {
  const loader = ({ slot, leaf }: Slot) => {
    const { load } = kindOf(leaf.kind)
    return (row: StoredRow): Value => {
      const stored = row[slot] ?? null
      return stored === null ? null : load(stored)
    }
  }
  // The words a record is known by; blanks are left out.
  const labeller = (pieces: readonly LabelPiece[], slots: readonly number[]) => {
    const parts = pieces.map(({ field }, at) => {
      const { load, show } = kindOf(field.kind)
      return (row: StoredRow): string => {
        const stored = row[slots[at]!] ?? null
        return stored === null ? '' : show(load(stored), field, book.look)
      }
    })
    return (row: StoredRow): string => {
      let label = ''
      for (const part of parts) {
        const words = part(row)
        if (words) label = label ? `${label}, ${words}` : words
      }
      return label
    }
  }
  const key = plan.key.map(loader)
  const label = labeller(plan.own, plan.labelSlots)
  const values = plan.fields.map(({ field, columns }) => {
    const loads = columns.map(loader)
    const read = (row: StoredRow) =>
      valueOf(
        loads.map((load) => load(row)),
        field,
      )
    return [field.id, field.kind !== 'link' && loads[0] ? loads[0] : read] as const
  })
  const labels = plan.fields
    .filter(({ pieces }) => pieces.length > 0)
    .map(({ field, pieces, slots }) => [field.id, labeller(pieces, slots)] as const)
  return (row) => {
    const read: Record<string, Value> = {}
    for (const [id, value] of values) read[id] = value(row)
    const words: Record<string, string> = {}
    for (const [id, word] of labels) words[id] = word(row)
    return {
      ref: refOf(key.map((load) => load(row) ?? '')),
      label: label(row),
      values: read,
      labels: words,
      rev: Number(row[plan.ownSlot]),
      changedAt: String(row[plan.ownSlot + 1]),
      changedBy: (row[plan.ownSlot + 2] as string | null) ?? null,
      cursor: plan.sortSlots.map((slot) => row[slot] ?? null),
    }
  }
}

/** A plain field's own value; a link's reference. */
function valueOf(columns: readonly Value[], field: Field): Value {
  if (field.kind !== 'link') return columns[0] ?? null
  return columns.length === 0 || columns.some((value) => value === null) ? null : refOf(columns as string[])
}
