import { tableOf } from '@/core/book'
import { derivedOf, evaluate, type Facts } from '@/core/expressions'
import { quoteName } from '@/core/names'
import type { Values } from '@/core/records'
import { expressionSql } from '@/core/sql'
import type { Catalogue } from '../../catalogue'
import { run } from '../../database'
import { type Live, namesOf, oncePerTable } from '../live'
import { runIn, selectIn, type Unit } from '../unit'
import type { Guard, PlacedChange } from './guard'
import { keyCondition, keyParams } from '../read/rows'

/** A fact that isn't frozen yet, and what freezes it. */
interface Unfrozen {
  readonly field: string
  readonly column: string
  readonly when: string
  readonly becomes: string
}

const freezable = oncePerTable((live, tableId): readonly Unfrozen[] =>
  tableOf(live.book, tableId).fields.flatMap((field) => {
    const made = field.freezes === undefined ? undefined : derivedOf(live.book, field.id)
    if (!made || 'problem' in made || !made.freezes) return []
    const names = namesOf(live)
    return [
      {
        field: field.id,
        column: quoteName(names.columns(tableId, field.id)[0]!.name),
        when: expressionSql(live.book, names, tableId, made.freezes, 't'),
        becomes: expressionSql(live.book, names, tableId, made.tree, 't'),
      },
    ]
  }),
)

/** Writes down what is frozen, for records that came all at once, the rows that hang on them after them. */
export async function freezeMany({ db, live }: { readonly db: Catalogue; readonly live: Live }): Promise<void> {
  for (const table of live.book.tables)
    for (const { column, when, becomes } of freezable(live, table.id))
      await run(
        db,
        `UPDATE ${namesOf(live).quoted(table.id)} AS t SET t.${column} = ${becomes}, t.changed_at = t.changed_at WHERE ${when}`,
      )
}

/**
 * Writes the facts of a saved record down that freeze with this save. The database does so itself when the record is
 * written, but the rows that hang on it come after.
 */
export function freezesWithRows(unit: Unit): Guard {
  let facts: readonly Unfrozen[] = []
  let saved: { readonly table: string; readonly ref: string } | undefined
  return {
    concerns: (table) => freezable(unit.live, table).length > 0,
    async before(change) {
      if (change.place === '' && change.values) facts = await unfrozen(unit, change, change.values)
    },
    async after({ table, place }, ref) {
      if (place === '') saved = { table, ref }
    },
    async end() {
      if (saved) await freeze(unit, saved.table, saved.ref, facts)
    },
  }
}

/** The facts of a record that a save may freeze: those that aren't frozen before it, and of a new one those that are now. */
async function unfrozen(unit: Unit, { table, ref }: PlacedChange, values: Values): Promise<readonly Unfrozen[]> {
  const { live } = unit
  const all = freezable(live, table)
  const key = ref === null ? undefined : keyParams(live, table, ref)
  if (all.length === 0) return all
  if (!key) return all.filter(({ field }) => freezesWith(unit, field, values))
  const [row] = await selectIn<Record<string, number | null>>(
    unit,
    `SELECT ${all.map(({ when }, at) => `${when} AS f${at}`).join(', ')} FROM ${namesOf(live).quoted(table)} AS t WHERE ${keyCondition(live, table)}`,
    key,
  )
  return all.filter((_, at) => !row?.[`f${at}`])
}

const freezesWith = ({ live, now }: Unit, field: string, values: Values): boolean => {
  const made = derivedOf(live.book, field)
  const facts: Facts = { value: (id) => values[id] ?? null, linked: () => undefined, rows: () => [] }
  return 'tree' in made && made.freezes !== undefined && evaluate(made.freezes, facts, now) === '1'
}

async function freeze(unit: Unit, tableId: string, ref: string, facts: readonly Unfrozen[]): Promise<void> {
  const { live } = unit
  const key = keyParams(live, tableId, ref)
  if (facts.length === 0 || !key) return
  const sets = facts.map(({ column, when, becomes }) => `t.${column} = CASE WHEN ${when} THEN ${becomes} END`)
  await runIn(
    unit,
    `UPDATE ${namesOf(live).quoted(tableId)} AS t SET ${sets.join(', ')}, t.changed_at = t.changed_at WHERE ${keyCondition(live, tableId)}`,
    key,
  )
}
