import { quoteName } from '@/core/names'
import { fail, type Result } from '@/core/words'
import { findBook, type StoredBook } from '../../books'
import type { Catalogue } from '../../catalogue'
import { now as clockNow } from '../../clock'
import { run, transact } from '../../database'
import { resumeOpening } from './journal'
import { type Live, liveOf } from '../live'
import { isPassing } from '../refusals'
import { selectIn, type Unit, type Writer } from '../unit'

/** How a writer holds a gate: beside others, or alone. */
export type GateMode = 'shared' | 'alone'

/** The book is being opened, or was opened since the design was read: the work begins again afterwards. */
class Reopened extends Error {}

class MissingGates extends Error {
  constructor(readonly parts: readonly string[]) {
    super('no such gates yet')
  }
}

/** The opening takes longer than the one who waits for it is willing to. */
export class BeingOpened extends Error {}

interface GateRow {
  readonly part: string
  readonly opening: number | null
  readonly opened_revision: number | null
}

/** How long a writer waits for an opening, in milliseconds, before whoever sent it is told. */
const patience = 3000
const lookEvery = 60
/** How often work that lost a deadlock is run again. */
const attempts = 12

/** The rules that the work may come to break, by their ids, and how their gates are held. */
export type RuleGates = ReadonlyMap<string, GateMode>

/**
 * Runs work that changes records: in one transaction, under the design that is in force, and never while the book
 * is being opened. Where it was opened since `live` was read, the work gets the book as it is now. What lost a
 * deadlock is run again. Throws `BeingOpened` when an opening takes too long.
 */
export async function changeRecords<T>(
  { db, live, who }: Writer,
  rulesIn: (live: Live) => RuleGates,
  work: (unit: Unit) => Promise<T>,
): Promise<T> {
  const until = Date.now() + patience
  let now = live
  for (let attempt = 1; ; attempt++) {
    try {
      return await transact(db, async (transaction) => {
        const unit = { db, live: now, who, transaction, now: clockNow() }
        await holdGates(unit, rulesIn(now))
        return work(unit)
      })
    } catch (cause) {
      if (cause instanceof Reopened) now = await afterOpening(db, live.id, until)
      else if (cause instanceof MissingGates) await makeGates(db, live.id, cause.parts)
      else if (!isPassing(cause) || attempt >= attempts) throw cause
      // Of many that stand in each other's way not all should come back at once.
      else await sleep(Math.random() * 8 * attempt)
    }
  }
}

/**
 * Holds the book's own gate and those of some rules until the transaction ends. All are taken in one order, and
 * before any record, so that nobody who holds one waits for another.
 */
async function holdGates(unit: Unit, rules: RuleGates): Promise<void> {
  const { db, live } = unit
  const wanted: (readonly [string, GateMode])[] = [['', 'shared'], ...[...rules].sort(([a], [b]) => (a < b ? -1 : 1))]
  for (let from = 0; from < wanted.length;) {
    const mode = wanted[from]![1]
    const found = wanted.findIndex(([, other], at) => at > from && other !== mode)
    const to = found < 0 ? wanted.length : found
    const parts = wanted.slice(from, to).map(([part]) => part)
    const rows = await selectIn<GateRow>(
      unit,
      `SELECT part, opening, opened_revision FROM ${gatesOf(db)} WHERE book_id = ? AND part IN (${parts.map(() => '?').join(', ')}) ORDER BY part ${mode === 'shared' ? 'LOCK IN SHARE MODE' : 'FOR UPDATE'}`,
      [live.id, ...parts],
    )
    const book = from === 0 ? rows.find((row) => row.part === '') : undefined
    if (from === 0 && (!book || book.opening !== null || book.opened_revision !== live.revision)) throw new Reopened()
    if (rows.length < parts.length) throw new MissingGates(parts)
    from = to
  }
}

/** Not in the transaction that found them missing: what it holds would keep others waiting. */
async function makeGates(db: Catalogue, bookId: string, parts: readonly string[]): Promise<void> {
  await run(
    db,
    `INSERT IGNORE INTO ${gatesOf(db)} (book_id, part) VALUES ${parts.map(() => '(?, ?)').join(', ')}`,
    parts.flatMap((part) => [bookId, part]),
  )
}

/** The book once no opening of it is under way; one that nobody carries on any more is finished here. */
async function afterOpening(db: Catalogue, bookId: string, until: number): Promise<Live> {
  for (;;) {
    const stored = await findBook(db, bookId)
    if (!stored) throw new Error('Expected the book whose records are changed.')
    if (stored.opening === undefined) {
      const live = liveOf(stored)
      if (!live.ok) throw new Error('Expected a book that was opened.')
      return live.value
    }
    const { state } = await resumeOpening(db, stored.opening, {}, 0)
    if (Date.now() >= until) throw new BeingOpened()
    if (state === 'busy') await sleep(lookEvery)
  }
}

/**
 * The book as records are read from it: once an opening that is under way is done. Who reads waits longer than who
 * saves, since nothing can be shown meanwhile.
 */
export async function openedBook(db: Catalogue, stored: StoredBook, waitsFor = 20_000): Promise<Result<Live>> {
  if (stored.opening === undefined || !stored.opened) return liveOf(stored)
  try {
    return { ok: true, value: await afterOpening(db, stored.id, Date.now() + waitsFor) }
  } catch (cause) {
    if (cause instanceof BeingOpened) return fail({ kind: 'being-opened', book: stored.book.name })
    throw cause
  }
}

const gatesOf = (db: Catalogue) => `${quoteName(db.catalogue)}.gates`

const sleep = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))
