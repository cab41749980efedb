import { createHash, randomBytes } from 'node:crypto'
import { Op } from 'sequelize'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { select } from '../database'
import type { Account } from './accounts'

/** A session lasts a working week; signing in again begins a new one. */
const lastsHours = 7 * 24

// Only the digest is stored: who reads the database can't sign in with what stands there.
const digest = (token: string) => createHash('sha256').update(token).digest('hex')

/** Begins a session and returns the secret for the cookie. */
export async function beginSession({ sessions }: Catalogue, accountId: string): Promise<string> {
  const token = randomBytes(32).toString('hex')
  await sessions.destroy({ where: { ends_at: { [Op.lt]: stamp() } } })
  const ends_at = stamp(new Date(Date.now() + lastsHours * 3_600_000))
  await sessions.create({ id: digest(token), account_id: accountId, ends_at })
  return token
}

export async function accountOfSession(catalogue: Catalogue, token: string): Promise<Account | undefined> {
  const [row] = await select<{ id: string; name: string; makes_books: number }>(
    catalogue,
    `SELECT a.id, a.name, a.makes_books FROM \`${catalogue.catalogue}\`.sessions s JOIN \`${catalogue.catalogue}\`.accounts a ON a.id = s.account_id
     WHERE s.id = ? AND s.ends_at > ? AND a.removed_at IS NULL`,
    [digest(token), stamp()],
  )
  return row ? { id: row.id, name: row.name, makesBooks: Boolean(row.makes_books) } : undefined
}

/** Ends all sessions of an account but the one whose secret this is. */
export const endOtherSessions = ({ sessions }: Catalogue, accountId: string, token: string) =>
  sessions.destroy({ where: { account_id: accountId, id: { [Op.ne]: digest(token) } } })

export const endSession = ({ sessions }: Catalogue, token: string) => sessions.destroy({ where: { id: digest(token) } })
