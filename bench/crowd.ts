import type { Catalogue } from '@/server/catalogue'
import { makeAccount } from '@/server/people'
import { collide, collisions } from '@/tests/support/at-once'
import { billBook, openBesideSaves, smallChanges } from '@/tests/support/beside-openings'

const rounds = 400
const openings = 50

/**
 * The crowds of the tests, for longer: two and three people at each kind of rule at the same moment, and fifty openings
 * beside clerks who save and a tool that writes. Prints what came of it; anything above nought in the last column is a fault.
 */
export async function crowd(db: Catalogue, tool: (schema: string) => Promise<(statement: string) => Promise<unknown>>) {
  const made = await makeAccount(db, 'Crowd', 'a long enough one', true)
  if (!made.ok) throw new Error('Expected a new catalogue.')
  for (const [name, one] of Object.entries(collisions)) {
    const { outcomes, broken } = await collide(db, made.value, name, one, rounds)
    const told = [...outcomes].map(([kind, count]) => `${count} ${kind}`).join(', ')
    process.stdout.write(`${name.padEnd(68)} ${told.padEnd(28)} broken ${broken}\n`)
  }
  const book = await billBook(db, made.value, 'Openings', 100_000)
  // Back and forth, so that each of them changes something.
  const there = smallChanges.slice(0, 8)
  const changes = Array.from({ length: openings }, (_, at) =>
    at < there.length
      ? there[at]!
      : [{ kind: 'changeField' as const, field: 'quantity', to: { name: at % 2 ? 'Quantity' : 'How many' } }],
  )
  const beside = await openBesideSaves(db, made.value, book, await tool(book.live.schema), changes)
  const told = [...beside.kinds].map(([kind, count]) => `${count} ${kind}`).join(', ')
  process.stdout.write(
    `${openings} openings beside saves: ${told}; the longest save took ${Math.round(beside.longest)} ms; without their price ${beside.uncopied}, beyond their rule ${beside.beyond}, the closed bill ${JSON.stringify(beside.sent)}\n`,
  )
}
