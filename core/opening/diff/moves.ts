import { type Book, findField, findTable, type Link } from '../../book'
import type { LiveColumn, LiveTable } from '../../physical'
import type { Staying, TablePair } from './pairs'
import { isWidening } from './widening'

/** A column that moves: as it was, as it is called while records move, and as it will be. */
export interface MovingColumn {
  readonly old: LiveColumn
  readonly then: LiveColumn
  readonly now: LiveColumn
}

interface Tied {
  /** The link between the two tables, as it was or as it will be. */
  readonly link: Link
  readonly columns: readonly MovingColumn[]
}

/** "kind": facts go to a new table that each record leads to. "rows": to new rows that hang on each record. */
export interface MoveApart extends Tied {
  readonly way: 'kind' | 'rows'
  readonly from: Staying
  readonly to: LiveTable
}

/** "one": facts come back from a table that goes to the records that led to it. "many": from rows that go. */
export interface MoveTogether extends Tied {
  readonly way: 'one' | 'many'
  readonly from: { readonly was: LiveTable; readonly then: LiveTable }
  readonly to: Staying
}

/** The facts that moved between two tables tied to each other, so that the records can follow them. */
export function movesOf(
  before: Book,
  after: Book,
  pairs: readonly TablePair[],
): { apart: MoveApart[]; together: MoveTogether[] } {
  const byId = new Map(pairs.map((pair) => [(pair.was ?? pair.is)!.id, pair]))
  const apart: MoveApart[] = []
  const together: MoveTogether[] = []
  for (const { from, to, fields } of movedFields(before, after)) {
    const [source, target] = [byId.get(from)!, byId.get(to)!]
    const between = (link: Link) => [link.one, link.many].includes(from) && [link.one, link.many].includes(to)
    const columns = movingColumns(source, target, fields)
    // A link whose key changed meanwhile has other columns than it had; it can't move as it is.
    const wanted = target.is!.columns.filter((column) => fields.has(column.field)).length
    if (columns.length === 0 || columns.length < wanted) continue
    if (!columns.every(({ old, now }) => isWidening(old.type, now.type))) continue
    if (source.is && !target.was) {
      const link = after.links.find(between)
      if (!link || !hasRunningKey(after, to)) continue
      const way = link.one === to ? 'kind' : 'rows'
      apart.push({ way, from: source as Staying, to: target.is!, link, columns })
    }
    if (!source.is && target.was) {
      const link = before.links.find(between)
      if (!link) continue
      const way = link.one === from ? 'one' : 'many'
      together.push({ way, from: { was: source.was!, then: source.then! }, to: target as Staying, link, columns })
    }
  }
  return { apart, together }
}

function movedFields(before: Book, after: Book) {
  const moved = new Map<string, { from: string; to: string; fields: Set<string> }>()
  for (const table of after.tables) {
    for (const field of table.fields) {
      const from = findField(before, field.id)?.table.id
      if (!from || from === table.id) continue
      const key = `${from} ${table.id}`
      const known = moved.get(key) ?? { from, to: table.id, fields: new Set() }
      moved.set(key, { ...known, fields: known.fields.add(field.id) })
    }
  }
  return moved.values()
}

function movingColumns(source: TablePair, target: TablePair, fields: ReadonlySet<string>): MovingColumn[] {
  return target.is!.columns.flatMap((now) => {
    const at = source.was!.columns.findIndex((column) => column.id === now.id)
    return at >= 0 && fields.has(now.field)
      ? [{ old: source.was!.columns[at]!, then: source.then!.columns[at]!, now }]
      : []
  })
}

/** New rows need a key that comes by itself. */
function hasRunningKey(after: Book, tableId: string): boolean {
  const key = findTable(after, tableId)?.key ?? []
  return key.length === 1 && findField(after, key[0]!)?.field.kind === 'running'
}
