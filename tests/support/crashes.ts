import { expect } from 'vitest'
import { edition, type OpeningStep, planOpening } from '@/core/opening'
import { findBook } from '@/server/books'
import type { Catalogue } from '@/server/catalogue'
import { stamp } from '@/server/clock'
import { type Moment, resumeOpening } from '@/server/live/open/journal'
import type { Account } from '@/server/people'

class Killed extends Error {}

/** Every place in a step where a crash can find it. */
export const moments: readonly Moment[] = ['before', 'unmarked', 'after']

/** Writes an opening into the journal without beginning it; its number there, and how many steps it has. */
export async function journalled(
  db: Catalogue,
  account: Account,
  id: string,
): Promise<{ entry: number; steps: number }> {
  const book = (await findBook(db, id))!
  const plan = planOpening(book.opened, book.book, book.opened !== undefined)
  await db.sequelize.query(`CREATE DATABASE IF NOT EXISTS \`${book.liveSchema}\` COLLATE utf8mb4_uca1400_as_ci`)
  const entry = await db.openings.create({
    book_id: id,
    account_id: account.id,
    state: 'running',
    design: JSON.stringify(book.book),
    revision: book.revision,
    steps: JSON.stringify(plan.steps),
    edition,
    position: 0,
    started_at: stamp(),
    ended_at: null,
  })
  const opening = entry.get('id') as number
  await db.gates.update({ opening }, { where: { book_id: id, part: '' } })
  return { entry: opening, steps: plan.steps.length }
}

/** Goes on with an opening until it is killed at one moment of one step, as a crash would. */
export async function killedAt(db: Catalogue, entry: number, place: number, moment: Moment): Promise<void> {
  const between = (position: number, now: Moment) => {
    if (position === place && now === moment) throw new Killed()
  }
  await expect(resumeOpening(db, entry, { between })).rejects.toThrow(Killed)
}

/** Opens with a last step that can't be done when all before it have been. */
export async function refusedAtLast(
  db: Catalogue,
  account: Account,
  id: string,
  wanted?: readonly OpeningStep[],
): Promise<string> {
  const { entry } = await journalled(db, account, id)
  const steps = wanted ?? (JSON.parse((await db.openings.findByPk(entry))!.get('steps') as string) as OpeningStep[])
  const planned = steps.with(-1, { ...steps.at(-1)!, sql: 'SELECT nonsense FROM nowhere' })
  await db.openings.update({ steps: JSON.stringify(planned) }, { where: { id: entry } })
  return (await resumeOpening(db, entry)).state
}
