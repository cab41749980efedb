import { type Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editBook, findBook, makeBook, type StoredBook } from '@/server/books'
import type { Catalogue } from '@/server/catalogue'
import { select } from '@/server/database'
import { liveOf, openBook, type Live } from '@/server/live'
import type { Account } from '@/server/people'

/** A book made by some edits. */
export async function testBook(
  catalogue: Catalogue,
  account: Account,
  name: string,
  edits: readonly Edit[],
): Promise<string> {
  const made = await makeBook(catalogue, account, name)
  if (!made.ok) throw new Error(wordProblem(made.problem))
  await editAll(catalogue, account, made.value, edits)
  return made.value
}

export async function editAll(
  catalogue: Catalogue,
  account: Account,
  bookId: string,
  edits: readonly Edit[],
): Promise<void> {
  for (const edit of edits) {
    const saved = await editBook(catalogue, bookId, account.id, edit, [])
    if (!saved.ok) throw new Error(`${edit.kind}: ${wordProblem(saved.problem)}`)
  }
}

export async function stored(catalogue: Catalogue, bookId: string): Promise<StoredBook> {
  const book = await findBook(catalogue, bookId)
  if (!book) throw new Error('Expected the book.')
  return book
}

/** Opens a book and returns its live side. */
export async function opened(catalogue: Catalogue, account: Account, bookId: string): Promise<Live> {
  const sheet = await openBook(catalogue, bookId, account.id)
  if (!sheet.ok) throw new Error(wordProblem(sheet.problem))
  if (sheet.value.blocked.length > 0) throw new Error(sheet.value.blocked.join('\n'))
  const live = liveOf(await stored(catalogue, bookId))
  if (!live.ok) throw new Error(wordProblem(live.problem))
  return live.value
}

/** Everything about the tables of a schema that matters: columns, checks, keys; views and triggers. */
export async function shapeOf(catalogue: Catalogue, schema: string): Promise<string> {
  const tables = await select<{ name: string }>(
    catalogue,
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = "BASE TABLE" ORDER BY 1',
    [schema],
  )
  const shapes = []
  for (const { name } of tables) {
    const [row] = await select<Record<string, string>>(catalogue, `SHOW CREATE TABLE \`${schema}\`.\`${name}\``)
    // Lines that hold constraints come in the order they were made in; what matters is that they are the same.
    shapes.push(
      row!
        ['Create Table']!.split('\n')
        .map((line) => line.trim().replace(/,$/, ''))
        .sort()
        .join('\n'),
    )
  }
  const attached = await select<{ name: string; sql: string }>(
    catalogue,
    `SELECT TABLE_NAME AS name, VIEW_DEFINITION AS \`sql\` FROM information_schema.VIEWS WHERE TABLE_SCHEMA = ?
     UNION ALL SELECT TRIGGER_NAME, ACTION_STATEMENT FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = ? ORDER BY 1`,
    [schema, schema],
  )
  shapes.push(...attached.map(({ name, sql }) => `${name}: ${sql.replaceAll(`\`${schema}\`.`, '')}`))
  return shapes.join('\n\n')
}

/** The shape the live database of a book would have if it were opened for the first time now. */
export async function shapeAfresh(catalogue: Catalogue, account: Account, bookId: string): Promise<string> {
  const { book } = await stored(catalogue, bookId)
  const fresh = await testBook(catalogue, account, 'Afresh', [])
  await catalogue.books.update({ design: JSON.stringify(book) }, { where: { id: fresh } })
  return shapeOf(catalogue, (await opened(catalogue, account, fresh)).schema)
}
