import { quoteName } from '../names'
import type { OpeningStep } from './plan'
import type { LiveTable } from './schema'

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
  const held = new Set(renames.map((rename) => rename.from))
  const passing = (rename: Rename) => (held.has(rename.to) ? `passing_${rename.from}`.slice(0, 64) : rename.to)
  const move = (say: string, from: string, to: string) => ({ say, sql: sql(from, to), undo: sql(to, from) })
  return [
    ...renames.map((rename) => move(rename.say, rename.from, passing(rename))),
    ...renames
      .filter((rename) => passing(rename) !== rename.to)
      .map((rename) => move(rename.say, passing(rename), rename.to)),
  ]
}

export const renameTables = (pairs: readonly { readonly was: LiveTable; readonly is: LiveTable }[]): OpeningStep[] =>
  through(
    pairs
      .filter(({ was, is }) => was.name !== is.name)
      .map(({ was, is }) => ({ say: `Rename ${was.title} to ${is.title}`, from: was.name, to: is.name })),
    (from, to) => `RENAME TABLE IF EXISTS ${quoteName(from)} TO ${quoteName(to)}`,
  )

export function renameColumns(was: LiveTable, is: LiveTable): OpeningStep[] {
  const renames = is.columns.flatMap((column) => {
    const old = was.columns.find((candidate) => candidate.id === column.id)
    if (!old || old.name === column.name) return []
    return [{ say: `Rename ${is.title} → ${old.title} to ${column.title}`, from: old.name, to: column.name }]
  })
  return through(
    renames,
    (from, to) => `ALTER TABLE ${quoteName(is.name)} RENAME COLUMN IF EXISTS ${quoteName(from)} TO ${quoteName(to)}`,
  )
}
