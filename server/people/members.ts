import { fail, ok, type Result } from '@/core/words'
import type { Catalogue, Role } from '../catalogue'
import { select } from '../database'
import { roomProblem } from '../disk-room'

export interface Member {
  readonly account: string
  readonly name: string
  readonly role: Role | null
}

/**
 * What an account may do with a book, if anything. A dry run belongs to its book: those who look after the book may do
 * anything with it, whoever made it, and nobody else.
 */
export async function roleIn(db: Catalogue, accountId: string, bookId: string): Promise<Role | undefined> {
  const [row] = await select<{ role: Role; dry: number }>(
    db,
    `SELECT m.role, b.dry_of IS NOT NULL AS dry FROM \`${db.catalogue}\`.books b
     JOIN \`${db.catalogue}\`.memberships m ON m.book_id = COALESCE(b.dry_of, b.id) AND m.account_id = ? WHERE b.id = ?`,
    [accountId, bookId],
  )
  return !row || (row.dry && row.role !== 'administrator') ? undefined : row.role
}

/** Whether a role reaches as far as what is asked: an administrator may all that staff may, staff all that a reader may. */
export function reaches(role: Role | undefined, asked: Role): boolean {
  const rank = { reader: 1, staff: 2, administrator: 3 }
  return role !== undefined && rank[role] >= rank[asked]
}

/** Every account, with its role in one book. */
export const membersOf = (db: Catalogue, bookId: string) =>
  select<{ account: string; name: string; role: Role | null }>(
    db,
    `SELECT a.id AS account, a.name AS name, m.role AS role FROM \`${db.catalogue}\`.accounts a
     LEFT JOIN \`${db.catalogue}\`.memberships m ON m.account_id = a.id AND m.book_id = ? WHERE a.removed_at IS NULL ORDER BY a.name`,
    [bookId],
  ) as Promise<Member[]>

/** Gives or takes a role. The last administrator of a book stays one. */
export async function setRole(
  db: Catalogue,
  bookId: string,
  accountId: string,
  role: Role | null,
): Promise<Result<null>> {
  const full = await roomProblem(db)
  if (full) return fail(full)
  return db.sequelize.transaction(async (transaction) => {
    const account = await db.accounts.findByPk(accountId, { transaction, lock: transaction.LOCK.SHARE })
    if (account?.get('removed_at') !== null) return fail({ kind: 'account-gone' })
    const rows = await db.memberships.findAll({
      where: { book_id: bookId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    const administrators = rows.map((row) => row.get({ plain: true })).filter((row) => row.role === 'administrator')
    if (role !== 'administrator' && administrators.length === 1 && administrators[0]!.account_id === accountId) {
      return fail({ kind: 'last-administrator' })
    }
    await db.memberships.destroy({ where: { book_id: bookId, account_id: accountId }, transaction })
    if (role) await db.memberships.create({ book_id: bookId, account_id: accountId, role }, { transaction })
    return ok(null)
  })
}
