import type * as z from 'zod'
import type { Json } from '../../words'
import type { Book, Rule, RuleSays } from '../book'
import { dropRules, setKeys } from '../build-steps'
import { findField, findLink } from '../find'
import type { Step } from '../steps'

/**
 * How the way to a fact goes on in a design that was changed: from a record of one table to a field that isn't that
 * table's any more. The link fields in between; undefined where there is no way to the one record meant.
 */
export type Bridge = (from: string, field: string) => readonly string[] | undefined

/** What is different about ways as a whole, before they are followed. */
export type Turn = (way: readonly string[]) => readonly string[]

interface Following {
  readonly before: Book
  /** The design as it has become. */
  readonly after: Book
  readonly bridge: Bridge
  readonly turn?: Turn
}

type Node = Readonly<Record<string, Json>>

/**
 * An expression as it has to be said now, at a record of a table. Undefined where it can't be said any more. Kept
 * expressions speak of a fact as `{ kind: 'fact', over: [link fields], field }`, and of rows as `{ kind: 'aggregate',
 * link, of, where }`, whose parts stand at a row.
 */
function followed(json: Json, table: string, following: Following): Json | undefined {
  if (Array.isArray(json)) {
    const parts = json.map((part) => followed(part as Json, table, following))
    return parts.includes(undefined) ? undefined : (parts as Json)
  }
  if (typeof json !== 'object' || json === null) return json
  const node = json as Node
  if (node.kind === 'fact') {
    const way = wayFollowed([...(node.over as string[]), node.field as string], table, following)
    return way && { ...node, over: way.slice(0, -1), field: way.at(-1)! }
  }
  const link = node.kind === 'aggregate' ? findLink(following.after, node.link as string) : undefined
  if (node.kind === 'aggregate' && link?.one !== table) return undefined
  const within = link?.many ?? table
  const entries = Object.entries(node).map(([key, part]) => [key, followed(part, within, following)] as const)
  return entries.some(([, part]) => part === undefined) ? undefined : (Object.fromEntries(entries) as Json)
}

function wayFollowed(
  way: readonly string[],
  table: string,
  { after, bridge, turn }: Following,
): readonly string[] | undefined {
  const found: string[] = []
  let here = table
  for (const id of turn?.(way) ?? way) {
    const owner = findField(after, id)?.table.id
    if (owner === undefined) return undefined
    const between = owner === here ? [] : bridge(here, id)
    if (!between) return undefined
    found.push(...between, id)
    here = after.links.find((link) => link.field === id)?.one ?? owner
  }
  return found
}

/** The steps by which what derived fields are made from is said as the design asks for now; what can't be stays as it was. */
export const sourcesFollow = (following: Following): Step[] =>
  following.after.tables.flatMap((table) =>
    table.fields.flatMap((field) => {
      const kept = (json: Json | undefined) => json && (followed(json, table.id, following) ?? json)
      return setKeys(field, field.id, {
        ...(field.source !== undefined && { source: kept(field.source) }),
        ...(field.freezes !== undefined && { freezes: kept(field.freezes) }),
      })
    }),
  )

/**
 * The same for rules; one that can't be said any more goes, but for those that couldn't before: they are somebody's to
 * put right. `placed` says where a rule stands now.
 */
export function rulesFollow(following: Following, placed: (rule: Rule) => string = (rule) => rule.table): Step[] {
  const { before, after } = following
  const was: Following = { before, after: before, bridge: () => undefined }
  const all = after.rules.flatMap((rule) => {
    const table = placed(rule)
    const says = saidAnew(rule.says, table, following)
    return says || saidAnew(rule.says, rule.table, was) ? [{ rule, table, says }] : []
  })
  const lost = all.filter(({ says }) => !says).map(({ rule }) => rule)
  return [
    ...all.flatMap(({ rule, table, says }) => (says ? setKeys(rule, rule.id, { table, says: says }) : [])),
    ...dropRules(after, lost),
  ]
}

function saidAnew(says: RuleSays, table: string, following: Following): RuleSays | undefined {
  const isOwn = (id: string) => findField(following.after, id)?.table.id === table
  const tree = (json: unknown) =>
    followed(json as Json, table, following) as z.infer<ReturnType<typeof z.json>> | undefined
  switch (says.kind) {
    case 'holds': {
      const said = tree(says.tree)
      return said === undefined ? undefined : { ...says, tree: said }
    }
    case 'together':
      return says.fields.every(isOwn) ? says : undefined
    case 'apart': {
      const unless = says.unless === undefined ? undefined : tree(says.unless)
      const isWhole = [...says.same, says.from, says.to].every(isOwn) && (says.unless === undefined || unless)
      return isWhole ? { ...says, ...(unless !== undefined && { unless }) } : undefined
    }
    case 'closed': {
      const once = tree(says.once)
      return once === undefined ? undefined : { ...says, once, except: says.except.filter(isOwn) }
    }
    case 'follows':
      return isOwn(says.field) ? says : undefined
  }
}
