import { type Book, findField } from '../../book'
import { derivedOf } from '../../expressions'
import { isDerived } from '../../kinds'
import { quoteName } from '../../names'
import type { PhysicalNames } from '../../physical'
import { expressionSql } from '../../sql'
import { isStaying, type TablePair, isSameColumn } from '../diff/pairs'
import type { OpeningStep } from '../steps'

/**
 * Gives the records that are there already what new copied and frozen facts hold: copies as their sources
 * are now, and what freezes where the moment has come.
 */
export function fillKept(after: Book, names: PhysicalNames, pair: TablePair): OpeningStep[] {
  if (!isStaying(pair)) return []
  const fresh = pair.is.columns.filter((column) => !pair.was.columns.some((old) => isSameColumn(old, column)))
  return fresh.flatMap((column): OpeningStep[] => {
    const field = findField(after, column.field)?.field
    const made = field && isDerived(field) ? derivedOf(after, field.id) : undefined
    if (!made || 'problem' in made) return []
    const sql = (tree: typeof made.tree) => expressionSql(after, names, pair.is.id, tree, 't')
    const where = made.freezes ? ` WHERE ${sql(made.freezes)}` : ''
    return [
      {
        say: `Fill ${column.title} in for the records of ${pair.is.title} that are there`,
        sql: `UPDATE ${quoteName(pair.is.name)} AS t SET t.${quoteName(column.name)} = ${sql(made.tree)}, t.changed_at = t.changed_at${where}`,
      },
    ]
  })
}
