import type { Problem } from '@/core/words'
import { collation, quoteName } from '@/core/names'
import { openingMark, type OpeningStep } from '@/core/opening'
import { findBook, parsed, type StoredBook } from '../../books'
import type { Catalogue, OpeningRow } from '../../catalogue'
import { stamp } from '../../clock'
import { run, select, transact, type Transaction } from '../../database'
import { log } from '../../log'
import { inTheWay } from './in-the-way'
import { databaseErrorOf } from '../refusals'

/** Where a crash can find a step: not begun, carried out but not marked in the journal, or marked. */
export type Moment = 'before' | 'unmarked' | 'after'

export interface Hooks {
  /** For tests of crashes: called at each moment of each step. */
  readonly between?: (position: number, moment: Moment) => Promise<void> | void
}

/** How an opening stands: carried to its end, taken back, or in the hands of another server. */
export interface Outcome {
  readonly state: 'done' | 'taken-back' | 'busy'
  /** What stood in the way once nobody wrote any more, in words; then it was taken back. */
  readonly blocked: readonly Problem[]
}

/**
 * Carries a journalled opening to its end from wherever it stands. A step that the database refuses
 * takes all the steps before it back. One server at a time: a named lock, held by one connection; another waits
 * for it so many seconds.
 */
export async function resumeOpening(db: Catalogue, id: number, hooks: Hooks = {}, waits = 120): Promise<Outcome> {
  return transact(db, async (transaction) => {
    const lock = `${db.catalogue}-opening-${id}`
    const [got] = await select<{ got: number }>(db, 'SELECT GET_LOCK(?, ?) AS got', [lock, waits], transaction)
    if (got?.got !== 1) {
      if (waits === 0) return { state: 'busy', blocked: [] }
      throw new Error('Another server is still opening this book.')
    }
    try {
      const entry = (await db.openings.findByPk(id))?.get({ plain: true })
      if (!entry) {
        // Nothing is left to carry on, so nothing may wait for it.
        await db.gates.update({ opening: null }, { where: { opening: id } })
        return { state: 'taken-back', blocked: [] }
      }
      if (entry.state !== 'running') return { state: entry.state, blocked: [] }
      const book = await findBook(db, entry.book_id)
      return await carryOut(db, entry, book!, transaction, hooks)
    } finally {
      await select(db, 'SELECT RELEASE_LOCK(?)', [lock], transaction)
    }
  })
}

async function carryOut(
  db: Catalogue,
  entry: OpeningRow,
  book: StoredBook,
  connection: Transaction,
  hooks: Hooks,
): Promise<Outcome> {
  const schema = book.liveSchema
  const steps = JSON.parse(entry.steps) as OpeningStep[]
  await db.sequelize.query(
    `CREATE DATABASE IF NOT EXISTS ${quoteName(schema)} CHARACTER SET utf8mb4 COLLATE ${collation}`,
  )
  await run(db, `USE ${quoteName(schema)}`, [], connection)
  // A record left open in some other tool must not hold an opening up for ever.
  await run(db, `SET SESSION lock_wait_timeout = 60, ${openingMark} = 1`, [], connection)
  try {
    for (let position = entry.position; position < steps.length; position++) {
      await hooks.between?.(position, 'before')
      const step = steps[position]!
      const blocked = step.asks ? await inTheWay(db, book, parsed(entry.design), step) : []
      if (blocked.length > 0) {
        await putBack(db, entry, steps.slice(0, position), connection)
        return { state: 'taken-back', blocked }
      }
      try {
        await carryThrough(db, step.sql, connection)
      } catch (cause) {
        // Where the connection broke nobody knows whether the step was done: who comes next does it again.
        if (databaseErrorOf(cause).fatal) throw cause
        // What was removed for good can't be put back: whoever needs the book next goes on from here.
        if (steps.slice(0, position).some(({ forGood }) => forGood)) throw cause
        log.error(
          { cause, opening: entry.id, step: step.sql },
          'a step of an opening was refused; taking the others back',
        )
        await putBack(db, entry, steps.slice(0, position), connection)
        return { state: 'taken-back', blocked: [] }
      }
      await hooks.between?.(position, 'unmarked')
      await mark(db, entry.id!, position + 1, connection)
      await hooks.between?.(position, 'after')
    }
    await end(db, entry, 'done')
    return { state: 'done', blocked: [] }
  } finally {
    await run(db, `SET ${openingMark} = NULL`, [], connection).catch(() => undefined)
  }
}

/**
 * Another tool may hold a table just then; a step that lost a deadlock did nothing and is run again. The deadlock ended
 * the transaction, and the step must still commit together with its mark.
 */
async function carryThrough(db: Catalogue, sql: string, connection: Transaction): Promise<void> {
  for (let attempt = 1; ; attempt++) {
    try {
      return void (await run(db, sql, [], connection))
    } catch (cause) {
      if (databaseErrorOf(cause).errno !== 1213 || attempt >= stepAttempts) throw cause
      await new Promise((done) => setTimeout(done, 20 * attempt))
      await run(db, 'START TRANSACTION', [], connection)
    }
  }
}
const stepAttempts = 10

/** The end of an opening: the design that is in force from now on, and the gate open again, at one moment. */
async function end(db: Catalogue, entry: OpeningRow, state: 'done' | 'taken-back'): Promise<void> {
  await db.sequelize.transaction(async (transaction) => {
    const book = { where: { id: entry.book_id }, transaction }
    if (state === 'done') await db.books.update({ opened: entry.design, opened_revision: entry.revision }, book)
    await db.openings.update({ state, ended_at: stamp() }, { where: { id: entry.id! }, transaction })
    await db.gates.update(
      { opening: null, ...(state === 'done' && { opened_revision: entry.revision, opened_edition: entry.edition }) },
      { where: { book_id: entry.book_id, part: '' }, transaction },
    )
  })
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
    await carryThrough(db, step.undo, connection)
    await mark(db, entry.id!, at, connection)
  }
  await end(db, entry, 'taken-back')
}
