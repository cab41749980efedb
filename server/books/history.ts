import type { Step } from '@/core/book'
import type { Catalogue } from '../catalogue'
import { select } from '../database'

export interface HistoryEntry {
  readonly revision: number
  readonly who: string
  /** UTC, "2027-03-12 09:30:00.000". */
  readonly when: string
  readonly say: string
  readonly kind: 'edit' | 'undo' | 'redo'
  readonly undone: boolean
}

/** The newest edits first; `before` pages back. */
export const historyOf = async (
  db: Catalogue,
  bookId: string,
  before = 2 ** 31 - 1,
  limit = 200,
): Promise<HistoryEntry[]> =>
  (
    await select<HistoryEntry>(
      db,
      `SELECT e.revision, a.name AS who, e.made_at AS \`when\`, e.say, e.kind, e.undone FROM \`${db.catalogue}\`.edits e
       JOIN \`${db.catalogue}\`.accounts a ON a.id = e.account_id
       WHERE e.book_id = ? AND e.revision < ? ORDER BY e.revision DESC LIMIT ${Math.min(limit, 1000)}`,
      [bookId, before],
    )
  ).map((entry) => ({ ...entry, undone: Boolean(entry.undone) }))

/** What the book's edits come to between two revisions, for those who have it as it was: the steps in order. */
export async function stepsSince(db: Catalogue, bookId: string, after: number, until: number): Promise<Step[]> {
  const rows = await select<{ steps: string }>(
    db,
    `SELECT steps FROM \`${db.catalogue}\`.edits WHERE book_id = ? AND revision > ? AND revision <= ? ORDER BY revision`,
    [bookId, after, until],
  )
  return rows.flatMap(({ steps }) => JSON.parse(steps) as Step[])
}

/** Who edited the book after a revision, other than one account, newest first. */
export const othersSince = (db: Catalogue, bookId: string, revision: number, accountId: string) =>
  select<Pick<HistoryEntry, 'who' | 'say' | 'kind'>>(
    db,
    `SELECT a.name AS who, e.say, e.kind FROM \`${db.catalogue}\`.edits e JOIN \`${db.catalogue}\`.accounts a ON a.id = e.account_id
     WHERE e.book_id = ? AND e.revision > ? AND e.account_id <> ? ORDER BY e.revision DESC LIMIT 5`,
    [bookId, revision, accountId],
  )
