import { fail, ok, type Result } from '@/core/words'
import type { Catalogue, Role } from '../catalogue'
import { stamp } from '../clock'
import { select } from '../database'
import { roomProblem } from '../disk-room'
import type { Account } from './accounts'
import { hashOf, passwordProblem } from './passwords'

interface Shared {
  readonly book: string
  readonly theirs: Role
  readonly mine: Role | null
  readonly administrators: number
}

/** The books an account has a role in, with what another has there. */
const sharedBooks = (db: Catalogue, actor: string, account: string) =>
  select<Shared & Record<string, string | number | null>>(
    db,
    `SELECT b.name AS book, t.role AS theirs, m.role AS mine,
       (SELECT COUNT(*) FROM \`${db.catalogue}\`.memberships a WHERE a.book_id = t.book_id AND a.role = 'administrator') AS administrators
     FROM \`${db.catalogue}\`.memberships t JOIN \`${db.catalogue}\`.books b ON b.id = t.book_id
     LEFT JOIN \`${db.catalogue}\`.memberships m ON m.book_id = t.book_id AND m.account_id = ?
     WHERE t.account_id = ? AND b.dry_of IS NULL`,
    [actor, account],
  )

/**
 * Whether somebody may give an account a new password or remove it: it isn't their own, they administer every book
 * that it has a role in, and only who may make books manages others who may. Else an administrator of one
 * book could come by another's.
 */
async function manageable(db: Catalogue, actor: Account, accountId: string) {
  const row = (await db.accounts.findByPk(accountId))?.get({ plain: true })
  if (!row || row.removed_at !== null) return fail({ kind: 'account-gone' } as const)
  if (row.id === actor.id) return fail({ kind: 'own-account' } as const)
  const shared = await sharedBooks(db, actor.id, accountId)
  const beyond = shared.find(({ mine }) => mine !== 'administrator')
  if (beyond || (row.makes_books && !actor.makesBooks))
    return fail({ kind: 'not-yours-to-manage', name: row.name } as const)
  return ok({ row, shared })
}

/** A new password for somebody who has lost theirs. Whoever is signed in with the account is signed out. */
export async function resetPassword(
  db: Catalogue,
  actor: Account,
  accountId: string,
  password: string,
): Promise<Result<string>> {
  const found = await manageable(db, actor, accountId)
  if (!found.ok) return found
  const problem = passwordProblem(password, found.value.row.name)
  if (problem) return fail(problem)
  const full = await roomProblem(db)
  if (full) return fail(full)
  await db.accounts.update({ password_hash: await hashOf(password) }, { where: { id: accountId } })
  await db.sessions.destroy({ where: { account_id: accountId } })
  return ok(found.value.row.name)
}

/** Ends an account: nobody signs in with it any more. What it did stays in the history under its name. */
export async function removeAccount(db: Catalogue, actor: Account, accountId: string): Promise<Result<string>> {
  const found = await manageable(db, actor, accountId)
  if (!found.ok) return found
  const last = found.value.shared.find(({ theirs, administrators }) => theirs === 'administrator' && administrators < 2)
  if (last) return fail({ kind: 'last-administrator' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  await db.sequelize.transaction(async (transaction) => {
    const where = { account_id: accountId }
    await db.accounts.update({ removed_at: stamp(), password_hash: '' }, { where: { id: accountId }, transaction })
    await db.memberships.destroy({ where, transaction })
    await db.sessions.destroy({ where, transaction })
  })
  return ok(found.value.row.name)
}
