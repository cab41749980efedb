import * as mariadb from 'mariadb'
import { emberlyDesign } from '@/demo/emberly/design'
import { editBook, findBook, makeBook } from '@/server/books'
import { type Catalogue, catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { type Live, liveOf, openBook } from '@/server/live'
import { makeAccount } from '@/server/people'

export interface BenchBook {
  readonly db: Catalogue
  readonly live: Live
  readonly id: string
  /** Whose book it is. */
  readonly account: string
  /** A connection of its own, for the plain statements to compare with. */
  readonly plain: mariadb.Connection
}

/** The demo's design, opened and empty, in a catalogue of its own. */
export async function benchBook(databaseUrl: string, catalogue: string): Promise<BenchBook> {
  const db = await catalogueOn(await connect(`${databaseUrl}/${catalogue}`))
  const account = await makeAccount(db, 'Bench', 'a long enough one', true)
  if (!account.ok) throw new Error('Expected a new catalogue.')
  const made = await makeBook(db, account.value, 'Bench')
  if (!made.ok) throw new Error('Expected a book.')
  for (const edit of emberlyDesign().edits) await editBook(db, made.value, account.value.id, edit, [])
  await openBook(db, made.value, account.value.id)
  const live = liveOf((await findBook(db, made.value))!)
  if (!live.ok) throw new Error('Expected an open book.')
  const { hostname, port, username, password } = new URL(databaseUrl)
  const plain = await mariadb.createConnection({
    host: hostname,
    port: Number(port),
    user: username,
    password,
    database: live.value.schema,
    dateStrings: true,
    bigIntAsNumber: true,
    insertIdAsNumber: true,
    // For the database's own loading of files.
    permitLocalInfile: true,
  })
  return { db, live: live.value, id: made.value, account: account.value.id, plain }
}
