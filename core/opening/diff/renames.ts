import { quoteName } from '../../names'
import { isStaying, type TablePair, isSameColumn } from './pairs'
import type { OpeningStep } from '../steps'

interface Rename {
  readonly say: string
  readonly from: string
  readonly to: string
}

/**
 * Renames that may trade names with each other go through a passing name, so that two tables or two
 * fields can swap. A name nobody else holds is taken at once.
 */
function through(renames: readonly Rename[], sql: (from: string, to: string) => string): OpeningStep[] {
  // Names of columns are the same to MariaDB whatever their capitals.
  const holder = new Map(renames.map((rename) => [rename.from.toLowerCase(), rename]))
  const passing = (rename: Rename) => {
    const other = holder.get(rename.to.toLowerCase())
    return other && other !== rename ? `passing_${rename.from}`.slice(0, 64) : rename.to
  }
  const move = (say: string, from: string, to: string) => ({ say, sql: sql(from, to), undo: sql(to, from) })
  return [
    ...renames.map((rename) => move(rename.say, rename.from, passing(rename))),
    ...renames
      .filter((rename) => passing(rename) !== rename.to)
      .map((rename) => move(rename.say, passing(rename), rename.to)),
  ]
}

export const renameTables = (pairs: readonly TablePair[]): OpeningStep[] =>
  through(
    pairs.flatMap(({ was, is, then }) => {
      if (!was || !then || was.name === then.name) return []
      const say = is ? `Rename ${was.title} to ${is.title}` : `Put ${was.title}, which goes, out of the way`
      return [{ say, from: was.name, to: then.name }]
    }),
    (from, to) => `RENAME TABLE IF EXISTS ${quoteName(from)} TO ${quoteName(to)}`,
  )

export function renameColumns(pair: TablePair): OpeningStep[] {
  if (!isStaying(pair)) return []
  const { was, is, then } = pair
  const renames = was.columns.flatMap((old, at) => {
    const to = then.columns[at]!.name
    if (old.name === to) return []
    const stays = is.columns.find((column) => isSameColumn(column, old))
    const say = stays
      ? `Rename ${is.title} → ${old.title} to ${stays.title}`
      : `Put ${is.title} → ${old.title}, which goes, out of the way`
    return [{ say, from: old.name, to }]
  })
  return through(
    renames,
    (from, to) => `ALTER TABLE ${quoteName(is.name)} RENAME COLUMN IF EXISTS ${quoteName(from)} TO ${quoteName(to)}`,
  )
}
