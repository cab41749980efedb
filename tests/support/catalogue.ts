import { afterAll, inject } from 'vitest'
import { wordProblem } from '@/core/words'
import { type Catalogue, catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { type Account, makeAccount } from '@/server/people'

export { editAll, opened, shapeAfresh, shapeOf, stored, testBook } from './books'

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
