import { type Book, findLink, type Link, tableOf } from '../../book'
import { quoteName } from '../../names'
import type { LiveColumn, LiveTable } from '../../physical'
import type { CarryPlan } from './carrying'
import { idsIn, isSameColumn, isStaying, type Staying, type TablePair } from '../diff/pairs'

/** A link whose records are called otherwise from now on, because the key at its end is another one. */
interface Rekeyed {
  readonly link: Link
  readonly many: Staying
  readonly one: Staying
}

/**
 * Links follow the keys at their ends: each gets columns for the new key, filled over the old one, before that goes. A
 * link that is part of a key itself is followed before those that lead there.
 */
export function rekeyed(before: Book, after: Book, pairs: readonly TablePair[]): CarryPlan {
  const pairOf = (id: string) => pairs.filter(isStaying).find(({ is }) => is.id === id)
  const all = after.links.flatMap((link): Rekeyed[] => {
    const was = findLink(before, link.id)
    const [many, one] = [pairOf(link.many), pairOf(link.one)]
    if (!was || was.many !== link.many || was.one !== link.one || was.field !== link.field || !many || !one) return []
    const [old, fresh] = [columnsOf(many.was, link), columnsOf(many.is, link)]
    const isAsBefore = old.length === fresh.length && fresh.every((column, at) => isSameColumn(column, old[at]!))
    return isAsBefore || old.length === 0 ? [] : [{ link, many, one }]
  })
  const told = keysFirst(after, all).map(follow)
  return {
    steps: told.flatMap((one) => one.steps),
    beforeDrops: told.flatMap((one) => one.beforeDrops),
    questions: [],
    leaving: told.flatMap((one) => one.leaving),
    filled: told.flatMap((one) => one.filled),
  }
}

const columnsOf = (table: LiveTable, link: Link) => table.columns.filter((column) => column.field === link.field)

function keysFirst(after: Book, all: readonly Rekeyed[]): Rekeyed[] {
  const sorted: Rekeyed[] = []
  const add = (one: Rekeyed) => {
    if (sorted.includes(one)) return
    const { key } = tableOf(after, one.link.one)
    all.filter((other) => other.link.many === one.link.one && key.includes(other.link.field)).forEach(add)
    sorted.push(one)
  }
  all.forEach(add)
  return sorted
}

function follow({ link, many, one }: Rekeyed): CarryPlan {
  // By the names that everything has once it is renamed.
  const oldColumns = columnsOf(many.then, link)
  const newColumns = columnsOf(many.is, link)
  const own = (columns: readonly LiveColumn[]) => columns.map(({ name }) => `own.${quoteName(name)}`)
  const those = (key: readonly string[]) => key.map((name) => `those.${quoteName(name)}`)
  const fill = (over: readonly string[], from: readonly string[], into: readonly string[], values: readonly string[]) =>
    `UPDATE ${quoteName(many.is.name)} AS own JOIN ${quoteName(one.is.name)} AS those ON ${over.map((name, at) => `${name} = ${from[at]}`).join(' AND ')} SET ${into.map((name, at) => `${name} = ${values[at]}`).join(', ')}, own.\`changed_at\` = own.\`changed_at\``
  const [was, is] = [those(one.then.primaryKey), those(one.is.primaryKey)]
  const [before, now] = [own(oldColumns), own(newColumns)]
  const fresh = newColumns.filter((column) => !many.was.columns.some((old) => isSameColumn(old, column)))
  const going = columnsOf(many.was, link).filter((old) => !many.is.columns.some((column) => isSameColumn(old, column)))
  const say = `Carry the new key of ${one.is.title} into ${many.is.title}`
  return {
    steps: [{ say, sql: fill(before, was, now, is) }],
    beforeDrops: [{ say, sql: 'DO 0', undo: fill(now, is, before, was) }],
    questions: [],
    leaving: idsIn(many.is, going),
    filled: idsIn(many.is, fresh),
  }
}
