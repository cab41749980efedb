import { type Field, linkOf, type Link, linksFrom, linksTo } from '@/core/book'
import { quoteName } from '@/core/names'
import type { Values } from '@/core/records'
import { type WatchedRule, watchedRules, isPartOf, ownRules, type Watch } from '@/core/rules'
import type { GateMode, RuleGates } from '../open/gate'
import { type Live, namesOf, oncePerTable } from '../live'
import { keyCondition, keyParams } from '../read/rows'
import { selectRowsIn, type Unit } from '../unit'
import { lockRecord } from './lock-record'

/** A row that is about to be added (no reference), changed, or removed (no values). */
export interface RowChange {
  readonly table: string
  readonly ref: string | null
  readonly values: Values | undefined
}

/** A rule that looks at a table, and how. */
export interface Looking {
  readonly asked: WatchedRule
  readonly watch: Watch
}

/** The rules over several records that look at a table's rows. */
export const lookingAt = oncePerTable((live, tableId): readonly Looking[] =>
  watchedRules(live.book).flatMap((asked) =>
    asked.watches.filter(({ table }) => table.id === tableId).map((watch) => ({ asked, watch })),
  ),
)

/** Whether any of the fields that matter is among those that are written. */
export const touches = ({ fields }: Watch, values: Values) => [...fields].some((id) => id in values)

/** Whether a change may come to break what a rule says of the records that look at the row. */
function concerns({ asked, watch }: Looking, { ref, values }: RowChange): boolean {
  const last = watch.hops.at(-1)
  const { rule } = asked.own
  if (rule.warns || (rule.onlyNew && (last || ref !== null))) return false
  // Nothing leads to a record that is just being made, and one that goes breaks nothing that is said of itself.
  if (ref === null) return last?.to !== 'one'
  if (!values) return last !== undefined
  return touches(watch, values)
}

/** A rule's own record, or a row that hangs on it: who writes it can hold the one record that the rule is about. */
const isNear = ({ hops }: Watch) => hops.length === 0 || (hops.length === 1 && hops[0]!.to === 'rows')

/**
 * How the rules that some changes may break are held. Those who write near a rule's record hold its rule beside each
 * other, and the record alone; who writes further off may break it for many records, and holds the rule alone. So
 * nobody asks a rule of what another is about to change.
 */
export function ruleGates(live: Live, changes: readonly RowChange[]): RuleGates {
  const gates = new Map<string, GateMode>()
  for (const change of changes)
    for (const looking of lookingAt(live, change.table)) {
      const { asked, watch } = looking
      const { id } = asked.own.rule
      if (gates.get(id) === 'alone' || !concerns(looking, change)) continue
      gates.set(id, isNear(watch) && (watch.hops.length > 0 || isHeldByRecords(asked)) ? 'shared' : 'alone')
    }
  return gates
}

/** The link through which records that a rule compares with each other have one in common. */
const commonLink = ({ compiled }: WatchedRule): Field | undefined => {
  if (compiled.kind === 'holds' || (compiled.kind === 'together' && compiled.blanks === 'alike')) return undefined
  return (compiled.kind === 'apart' ? compiled.same : compiled.fields).find((field) => field.kind === 'link')
}

const isHeldByRecords = (asked: WatchedRule) => asked.compiled.kind === 'holds' || commonLink(asked) !== undefined

/** A link, and whether a change of a row must hold the record at its end. */
interface Leading {
  readonly link: Link
  readonly needed: (change: RowChange) => boolean
}

const leadingFrom = oncePerTable((live, tableId): readonly Leading[] => {
  const { book } = live
  return linksFrom(book, tableId).map((link) => {
    const rowsOf = lookingAt(live, tableId).filter(
      ({ watch: { hops } }) => hops.length === 1 && hops[0]!.to === 'rows' && hops[0]!.link === link.id,
    )
    const comparing = lookingAt(live, tableId).filter(
      ({ asked, watch }) =>
        watch.hops.length === 0 && commonLink(asked) && linkOf(book, commonLink(asked)!.id).id === link.id,
    )
    const limits = link.limits ?? []
    const closes =
      isPartOf(book, link) &&
      ownRules(book, link.one).some(({ compiled, rule }) => compiled?.kind === 'closed' && compiled.rows && !rule.warns)
    const moves = (values: Values | undefined) => !values || link.field in values
    return {
      link,
      needed: (change) =>
        closes ||
        (link.least === 1 && change.ref !== null && moves(change.values)) ||
        (change.values !== undefined &&
          limits.some(
            ({ when }) =>
              change.ref === null || moves(change.values) || (when !== undefined && when.field in change.values!),
          )) ||
        rowsOf.some((looking) => concerns(looking, change)) ||
        (change.values !== undefined && comparing.some((looking) => concerns(looking, change))),
    }
  })
})

/**
 * Holds the records that many writers have in common, and those that are about to be written, until the transaction
 * ends: all before anything is written, and in one order, so that two writers don't hold each other up.
 */
export async function holdRecords(unit: Unit, changes: readonly RowChange[]): Promise<void> {
  const { live } = unit
  const records = new Map<string, { readonly table: string; readonly key: readonly string[] }>()
  const add = (table: string, key: readonly (string | number | null)[] | undefined) => {
    if (!key || key.includes(null)) return
    const text = key.map(String)
    records.set(JSON.stringify([table, text]), { table, key: text })
  }
  for (const change of changes) {
    const needed = leadingFrom(live, change.table).filter((leading) => leading.needed(change))
    const key = change.ref === null ? undefined : keyParams(live, change.table, change.ref)
    add(change.table, key)
    const stored = key && needed.length > 0 ? await linksOf(unit, change.table, key, needed) : []
    needed.forEach(({ link }, at) => {
      add(link.one, stored[at])
      const given = change.values?.[link.field]
      if (given) add(link.one, keyParams(live, link.one, given))
    })
  }
  const inOrder = [...records].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, record]) => record)
  await allSettled(inOrder.map(({ table, key }) => lockRecord(unit, table, key)))
}

/** Where a stored row's links lead, one key for each. */
async function linksOf(
  unit: Unit,
  tableId: string,
  key: readonly string[],
  links: readonly Leading[],
): Promise<(readonly (string | number | null)[])[]> {
  const { live } = unit
  const names = namesOf(live)
  const columns = links.map(({ link }) => names.columns(tableId, link.field).map((column) => quoteName(column.name)))
  const [row] = await selectRowsIn<(string | number | null)[]>(
    unit,
    `SELECT ${columns.flat().join(', ')} FROM ${names.quoted(tableId)} WHERE ${keyCondition(live, tableId)}`,
    key,
  )
  let from = 0
  return row ? columns.map((own) => row.slice(from, (from += own.length))) : []
}

/** One connection answers one after the other; all have come to their end before the first failure is thrown. */
async function allSettled(work: readonly Promise<unknown>[]): Promise<void> {
  await Promise.allSettled(work)
  await Promise.all(work)
}

/** What the removal of a record does to other rows, table by table: they go along, or lose their link. */
export function followingChanges(live: Live, tableId: string, seen = new Set([tableId])): RowChange[] {
  return linksTo(live.book, tableId).flatMap((link): RowChange[] => {
    if (link.onRemove === 'leave') return [{ table: link.many, ref: '', values: { [link.field]: null } }]
    if (link.onRemove !== 'remove' || seen.has(link.many)) return []
    seen.add(link.many)
    return [{ table: link.many, ref: '', values: undefined }, ...followingChanges(live, link.many, seen)]
  })
}
