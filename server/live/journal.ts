import { quoteName } from '@/core/names'
import type { OpeningStep } from '@/core/opening'
import type { Catalogue, OpeningRow } from '../catalogue'
import { stamp } from '../clock'
import { run, select, transact, type Transaction } from '../database'
import { log } from '../log'

/** Where a crash can find a step: not begun, carried out but not marked in the journal, or marked. */
export type Moment = 'before' | 'unmarked' | 'after'

/** For tests of crashes: called at each moment of each step. */
export interface Hooks {
  readonly between?: (position: number, moment: Moment) => Promise<void> | void
}

/**
 * Carries a journalled opening to its end from wherever it stands. A step that the database refuses
 * takes all the steps before it back. One server at a time: a named lock, held by one connection.
 */
export async function resumeOpening(db: Catalogue, id: number, hooks: Hooks = {}): Promise<'done' | 'taken-back'> {
  return transact(db, async (transaction) => {
    const lock = `${db.catalogue}-opening-${id}`
    const [got] = await select<{ got: number }>(db, 'SELECT GET_LOCK(?, 120) AS got', [lock], transaction)
    if (got?.got !== 1) throw new Error('Another server is still opening this book.')
    try {
      const entry = (await db.openings.findByPk(id))!.get({ plain: true })
      if (entry.state !== 'running') return entry.state
      const [book] = await select<{ live_schema: string }>(
        db,
        `SELECT live_schema FROM ${quoteName(db.catalogue)}.books WHERE id = ?`,
        [entry.book_id],
      )
      return await carryOut(db, entry, book!.live_schema, transaction, hooks)
    } finally {
      await select(db, 'SELECT RELEASE_LOCK(?)', [lock], transaction)
    }
  })
}

async function carryOut(
  db: Catalogue,
  entry: OpeningRow,
  schema: string,
  connection: Transaction,
  hooks: Hooks,
): Promise<'done' | 'taken-back'> {
  const steps = JSON.parse(entry.steps) as OpeningStep[]
  await run(db, `USE ${quoteName(schema)}`, [], connection)
  // A record left open at some desk must not hold an opening up for ever.
  await run(db, 'SET SESSION lock_wait_timeout = 60', [], connection)
  for (let position = entry.position; position < steps.length; position++) {
    await hooks.between?.(position, 'before')
    try {
      await run(db, steps[position]!.sql, [], connection)
    } catch (cause) {
      log.error(
        { cause, opening: entry.id, step: steps[position]!.sql },
        'a step of an opening was refused; taking the others back',
      )
      await putBack(db, entry, steps.slice(0, position), connection)
      return 'taken-back'
    }
    await hooks.between?.(position, 'unmarked')
    await mark(db, entry.id!, position + 1, connection)
    await hooks.between?.(position, 'after')
  }
  await db.sequelize.transaction(async (transaction) => {
    await db.books.update(
      { opened: entry.design, opened_revision: entry.revision },
      { where: { id: entry.book_id }, transaction },
    )
    await db.openings.update({ state: 'done', ended_at: stamp() }, { where: { id: entry.id! }, transaction })
  })
  return 'done'
}

/**
 * Marks how far an opening has come. An UPDATE and its mark commit together, because running it twice
 * could trade two words back; DDL commits by itself and can be run twice.
 */
async function mark(db: Catalogue, id: number, position: number, connection: Transaction): Promise<void> {
  await run(db, `UPDATE ${quoteName(db.catalogue)}.openings SET position = ? WHERE id = ?`, [position, id], connection)
  await run(db, 'COMMIT', [], connection)
  await run(db, 'START TRANSACTION', [], connection)
}

async function putBack(
  db: Catalogue,
  entry: OpeningRow,
  steps: readonly OpeningStep[],
  connection: Transaction,
): Promise<void> {
  for (const [at, step] of [...steps.entries()].reverse()) {
    if (!step.undo) continue
    await run(db, step.undo, [], connection)
    await mark(db, entry.id!, at, connection)
  }
  await db.openings.update({ state: 'taken-back', ended_at: stamp() }, { where: { id: entry.id! } })
}
