import { afterAll, inject } from 'vitest'
import { type Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editBook, findBook, makeBook, type StoredBook } from '@/server/books'
import { type Catalogue, catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { liveOf, openBook, type Live } from '@/server/live'
import { type Account, makeAccount } from '@/server/people'

// Asked for while the file is read: hooks can't be asked for from inside others.
const connected: Catalogue[] = []
afterAll(async () => {
  for (const catalogue of connected) await catalogue.sequelize.close()
})

/** A catalogue of its own for a test file, closed at its end. */
export async function testCatalogue(name: string): Promise<Catalogue> {
  const catalogue = await catalogueOn(await connect(`${inject('databaseUrl')}/${name}`))
  connected.push(catalogue)
  return catalogue
}

export async function testAccount(catalogue: Catalogue, name: string): Promise<Account> {
  const made = await makeAccount(catalogue, name, 'a long enough one', true)
  if (!made.ok) throw new Error(wordProblem(made.problem))
  return made.value
}

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
