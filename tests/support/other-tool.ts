import * as mariadb from 'mariadb'
import { afterAll, inject } from 'vitest'

const open: mariadb.Connection[] = []
afterAll(async () => {
  for (const connection of open) await connection.end()
})

/** A connection as any other tool would make it: nothing of the application's is set on it. `$` stands before tables. */
export async function otherTool(schema: string): Promise<(statement: string) => Promise<unknown>> {
  const { hostname, port, username, password } = new URL(inject('databaseUrl'))
  const connection = await mariadb.createConnection({
    host: hostname,
    port: Number(port),
    user: decodeURIComponent(username),
    password: decodeURIComponent(password),
    database: schema,
    dateStrings: true,
    bigIntAsNumber: true,
    insertIdAsNumber: true,
  })
  open.push(connection)
  return (statement) => connection.query(statement)
}
