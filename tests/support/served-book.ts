import { inject } from 'vitest'
import type { Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editBook, makeBook } from '@/server/books'
import { catalogueOn } from '@/server/catalogue'
import { connect, type Database, run, select } from '@/server/database'
import { makeAccount } from '@/server/people'
import { application, browserAt } from './application'
import type { Browser } from './browser'
import { opened } from './books'
import { otherTool } from './other-tool'

export interface ServedBook {
  readonly browser: Browser
  /** Another browser, with the same person signed in. */
  readonly another: () => Promise<Browser>
  /** The path of the book in the running application. */
  readonly path: string
  /** A statement another tool might send to the live database; `$` stands before its tables. */
  readonly sql: (statement: string) => Promise<unknown>
  /** The same from a connection on which nothing of the application's is set. */
  readonly otherTool: (statement: string) => Promise<unknown>
  readonly ask: (question: string) => Promise<readonly Record<string, unknown>[]>
}

const password = 'a quiet little town'

/** The application with one book designed beforehand, its administrator signed in at it. */
export async function servedBook(
  catalogue: string,
  name: string,
  edits: readonly Edit[],
  wish: { readonly isOpen?: boolean } = {},
): Promise<ServedBook> {
  const running = await application(catalogue)
  const database: Database = await connect(`${inject('databaseUrl')}/${catalogue}`)
  const db = await catalogueOn(database)
  const account = await makeAccount(db, 'Averil Teal', password, true)
  if (!account.ok) throw new Error(wordProblem(account.problem))
  const made = await makeBook(db, account.value, name)
  if (!made.ok) throw new Error(wordProblem(made.problem))
  for (const edit of edits) {
    const saved = await editBook(db, made.value, account.value.id, edit, [])
    if (!saved.ok) throw new Error(wordProblem(saved.problem))
  }
  if (wish.isOpen) await opened(db, account.value, made.value)
  const row = await db.books.findByPk(made.value, { attributes: ['live_schema'] })
  const schema = String(row!.get('live_schema'))
  const another = async () => {
    const browser = await browserAt(running.url)
    await browser.signIn('Averil Teal', password)
    return browser
  }
  return {
    browser: await another(),
    another,
    path: `/books/${made.value}`,
    sql: (statement) => run(db, statement.replaceAll('$', `\`${schema}\`.`)),
    otherTool: async (statement) => (await otherTool(schema))(statement),
    ask: (question) => select(db, question.replaceAll('$', `\`${schema}\`.`)),
  }
}
