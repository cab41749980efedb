import { fail, ok, type Problem, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run, select, transact } from '../database'
import { newId } from '../ids'
import type { EditionForm } from '../reports'

export type TrayState = 'making' | 'ready' | 'failed'

/** A file that waits for whoever asked for it. */
export interface TrayFile {
  readonly id: string
  readonly title: string
  readonly form: EditionForm
  readonly state: TrayState
  /** Laid so far. */
  readonly pages: number
  /** In bytes; nought before it is ready. */
  readonly size: number
  /** Why there is none. */
  readonly problem: Problem | undefined
  /** In UTC, as the database writes it. */
  readonly madeAt: string
}

export const trayLimits = { files: 20, days: 7, megabytes: 1000 } as const

/** Nothing was heard for so long of whoever makes it, in seconds: the program was stopped. */
const silence = 60

export const trayOn = ({ catalogue }: Catalogue) => ({
  files: `\`${catalogue}\`.tray`,
  parts: `\`${catalogue}\`.tray_parts`,
})

/** What was made before then is there no longer. */
const oldest = () => stamp(new Date(Date.now() - trayLimits.days * 86_400_000))

interface Owner {
  readonly book: string
  readonly account: string
}

/** Notes that a file is being made. */
export async function noteFile(
  db: Catalogue,
  { book, account }: Owner,
  { title, form }: Pick<TrayFile, 'title' | 'form'>,
): Promise<Result<string>> {
  const { files } = trayOn(db)
  await run(db, `DELETE FROM ${files} WHERE made_at < ?`, [oldest()])
  return transact(db, async (transaction) => {
    // Two at the same moment wait for each other, so that neither is one too many.
    await select(db, `SELECT id FROM \`${db.catalogue}\`.accounts WHERE id = ? FOR UPDATE`, [account], transaction)
    const [there] = await select<{ many: number }>(
      db,
      `SELECT COUNT(*) AS many FROM ${files} WHERE book_id = ? AND account_id = ?`,
      [book, account],
      transaction,
    )
    if (Number(there?.many) >= trayLimits.files) return fail({ kind: 'tray-full', most: trayLimits.files })
    const id = newId()
    await run(
      db,
      `INSERT INTO ${files} (id, book_id, account_id, title, form, state, made_at, beat)
       VALUES (?, ?, ?, ?, ?, 'making', ?, UTC_TIMESTAMP(3))`,
      [id, book, account, title.slice(0, 200), form, stamp()],
      transaction,
    )
    return ok(id)
  })
}

interface Row {
  readonly id: string
  readonly title: string
  readonly form: EditionForm
  readonly state: TrayState
  readonly pages: number
  readonly size: number
  readonly problem: string | null
  readonly made_at: string
  readonly silent: number
}

const fileOf = ({ made_at: madeAt, silent, problem, pages, size, ...row }: Row): TrayFile => {
  const shared = { ...row, pages: Number(pages), size: Number(size), madeAt }
  if (row.state === 'making' && silent) return { ...shared, state: 'failed', problem: { kind: 'tray-stopped' } }
  return { ...shared, problem: problem === null ? undefined : (JSON.parse(problem) as Problem) }
}

const columns = `id, title, form, state, pages, size, problem, made_at,
  beat < UTC_TIMESTAMP(3) - INTERVAL ${silence} SECOND AS silent`

/** What waits for somebody in a book, and what is being made for them, the newest first. */
export async function trayOf(db: Catalogue, { book, account }: Owner): Promise<TrayFile[]> {
  const rows = await select<Row>(
    db,
    `SELECT ${columns} FROM ${trayOn(db).files} WHERE book_id = ? AND account_id = ? AND made_at >= ?
     ORDER BY made_at DESC, id`,
    [book, account, oldest()],
  )
  return rows.map(fileOf)
}

/** A file that is ready, and what it consists of; somebody else's looks as if it weren't there. */
export async function fileInTray(
  db: Catalogue,
  { book, account }: Owner,
  id: string,
): Promise<{ readonly file: TrayFile; readonly contents: AsyncGenerator<Buffer> } | undefined> {
  const [row] = await select<Row>(
    db,
    `SELECT ${columns} FROM ${trayOn(db).files} WHERE id = ? AND book_id = ? AND account_id = ? AND state = 'ready' AND made_at >= ?`,
    [id, book, account, oldest()],
  )
  return row && { file: fileOf(row), contents: partsOf(db, id, Number(row.size)) }
}

async function* partsOf(db: Catalogue, id: string, size: number): AsyncGenerator<Buffer> {
  let sent = 0
  for (let part = 0; sent < size; part++) {
    const [row] = await select<{ contents: Buffer }>(
      db,
      `SELECT contents FROM ${trayOn(db).parts} WHERE tray_id = ? AND part = ?`,
      [id, part],
    )
    // Taken out meanwhile: half a file must not look whole.
    if (!row) throw new Error('A file was taken out of the tray while it was read.')
    sent += row.contents.length
    yield row.contents
  }
}

/** Takes a file out; one that is being made is stopped. */
export async function takeOut(db: Catalogue, { book, account }: Owner, id: string): Promise<void> {
  await run(db, `DELETE FROM ${trayOn(db).files} WHERE id = ? AND book_id = ? AND account_id = ?`, [id, book, account])
}
