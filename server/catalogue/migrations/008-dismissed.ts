import type { QueryInterface } from 'sequelize'

/**
 * What was ignored is kept as `dismissed`. In JSON a name within somebody's words has
 * a backslash before its second quotation mark, so that only names of the document itself are found.
 */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const run = (sql: string) => tables.sequelize.query(sql)
  const renamed = (column: string) => `${column} = REPLACE(${column}, '"waved":[', '"dismissed":[')`
  await run(`UPDATE \`${schema}\`.books SET ${renamed('design')}, ${renamed('opened')}`)
  await run(`UPDATE \`${schema}\`.openings SET ${renamed('design')} WHERE state = 'running'`)
  await run(
    `UPDATE \`${schema}\`.edits SET steps = REPLACE(steps, '"list":"waved"', '"list":"dismissed"') WHERE steps LIKE '%"list":"waved"%'`,
  )
}
