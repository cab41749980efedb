import type { Readable } from 'node:stream'
import { fail, ok, type Problem, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { run } from '../database'
import { roomProblem } from '../disk-room'
import { log } from '../log'
import { type EditionForm, editionFile, type HeldEdition, holdEdition } from '../reports'
import { noteFile, trayLimits, trayOn } from './tray'

export interface TrayWish {
  readonly book: string
  readonly account: string
  /** Who made the file, as it says itself. */
  readonly author: string
  readonly edition: string
  readonly form: EditionForm
  /** A file of more megabytes is none. */
  readonly most?: number | undefined
}

/** How often it is noted how far a file is, in milliseconds. */
const often = 1000
/** The database takes a file in parts of so many bytes. */
const partSize = 1 << 20

/** It was taken out of the tray, and is wanted no longer. */
class TakenOut extends Error {}

/** It can't be made: why, in words. */
class NotMade extends Error {
  constructor(readonly problem: Problem) {
    super('A file could not be made.')
  }
}

/**
 * Has an edition written to a file that waits in the tray, whoever leaves the page it was laid for.
 * @returns its id, and when all of it is done, for whoever wants to wait
 */
export async function putInTray(
  db: Catalogue,
  { book, account, author, edition, form, most = trayLimits.megabytes }: TrayWish,
): Promise<Result<{ readonly id: string; readonly done: Promise<void> }>> {
  const held = holdEdition(edition, account, book)
  if (!held) return fail({ kind: 'edition-gone' })
  const noted = await noteFile(db, { book, account }, { title: held.title, form }).catch(async (cause: unknown) => {
    await held.release()
    throw cause
  })
  if (!noted.ok) {
    await held.release()
    return noted
  }
  const id = noted.value
  const done = make(db, { id, held, form, author, most })
    .catch(async (cause: unknown) => {
      if (cause instanceof TakenOut) return
      if (!(cause instanceof NotMade)) log.error({ cause }, 'a file for the tray could not be made')
      const problem: Problem = cause instanceof NotMade ? cause.problem : { kind: 'unexpected' }
      await run(db, `DELETE FROM ${trayOn(db).parts} WHERE tray_id = ?`, [id])
      await run(db, `UPDATE ${trayOn(db).files} SET state = 'failed', problem = ? WHERE id = ?`, [
        JSON.stringify(problem),
        id,
      ])
    })
    // The database is gone: that nothing is heard of it any more says so.
    .catch((cause: unknown) => log.error({ cause }, 'a file for the tray was given up'))
    .finally(() => held.release())
  return ok({ id, done })
}

interface Making extends Pick<TrayWish, 'form' | 'author'> {
  readonly id: string
  readonly held: HeldEdition
  readonly most: number
}

async function make(db: Catalogue, { id, held, form, author, most }: Making): Promise<void> {
  const beat = async () => {
    const there = await run(
      db,
      `UPDATE ${trayOn(db).files} SET pages = ?, beat = UTC_TIMESTAMP(3) WHERE id = ? AND state = 'making'`,
      [held.now().pages, id],
    )
    if (there === 0) throw new TakenOut()
  }
  let isLaid = false
  const laid = held.done.then(() => (isLaid = true))
  while (!isLaid) {
    await Promise.race([laid, new Promise((later) => setTimeout(later, often))])
    await beat()
  }
  const edition = held.laid()
  if (!edition) throw new NotMade(held.now().problem ?? { kind: 'unexpected' })
  const size = await store(db, { id, most, beat }, editionFile(edition, form, author))
  await run(db, `UPDATE ${trayOn(db).files} SET state = 'ready', pages = ?, size = ? WHERE id = ?`, [
    edition.count,
    size,
    id,
  ])
}

/** Keeps a file part by part, as it is written. */
async function store(
  db: Catalogue,
  { id, most, beat }: Pick<Making, 'id' | 'most'> & { readonly beat: () => Promise<void> },
  file: Readable,
): Promise<number> {
  let [part, size, waiting, held] = [0, 0, [] as Buffer[], 0]
  let last = performance.now()
  const put = async () => {
    const full = await roomProblem(db)
    if (full) throw new NotMade(full)
    // A part of what was taken out meanwhile is refused by the database, so that is asked first.
    await beat()
    await run(db, `INSERT INTO ${trayOn(db).parts} (tray_id, part, contents) VALUES (?, ?, ?)`, [
      id,
      part++,
      Buffer.concat(waiting),
    ])
    ;[waiting, held] = [[], 0]
  }
  for await (const chunk of file) {
    const bytes = chunk as Buffer
    waiting.push(bytes)
    held += bytes.length
    size += bytes.length
    if (size > most * 1e6) throw new NotMade({ kind: 'tray-file-large', megabytes: most })
    if (held >= partSize) await put()
    else if (performance.now() - last > often) {
      last = performance.now()
      await beat()
    }
  }
  if (held > 0) await put()
  return size
}
