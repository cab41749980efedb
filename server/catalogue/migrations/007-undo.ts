import type { QueryInterface } from 'sequelize'

/** That an entry takes another back is said by its kind alone; its words are those of what it takes back. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const words = 'Undo: '
  await tables.sequelize.query(
    `UPDATE \`${schema}\`.edits SET say = SUBSTRING(say, ${words.length + 1}) WHERE kind = 'undo' AND say LIKE '${words}%'`,
  )
}
