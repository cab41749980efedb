import { branchesOf, branchSql, groupsSql, rowsSql } from '@/core/lists'
import { namesOf } from '../live'
import type { Walk } from './walk-list'

/** The statements that a list becomes: its first records, what may be several beside them, its groups from the first on. */
export function sqlOfList({ reads: { live }, read }: Walk): string {
  const { book } = live
  const names = namesOf(live)
  const limit = read.first ?? 100
  const parts = [
    { of: 'The records', sql: rowsSql(book, read, { limit }, names).sql },
    ...branchesOf(read).map((branch) => ({
      of: `What may be several beside them: ${branch.columns.map(({ heading }) => heading).join(', ')}`,
      sql: branchSql(book, read, branch, [[]], names).sql,
    })),
    ...read.groups.map((group, at) => ({
      of: `Its groups by ${group.words}`,
      sql: groupsSql(book, read, [at], 2001, names)
        .map((statement) => statement.sql)
        .join(';\n\n'),
    })),
  ]
  return parts.map(({ of, sql }) => `-- ${of.replace(/\s+/g, ' ')}\n${sql};\n`).join('\n')
}
