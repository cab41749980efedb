import { hash, verify } from '@node-rs/argon2'
import { fail, ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { roomProblem } from '../disk-room'
import { newId } from '../ids'
import { clearTries, noteWrongTry, waitFor } from './tries'

export interface Account {
  readonly id: string
  readonly name: string
  readonly makesBooks: boolean
}

let nobodys: Promise<string> | undefined
/** A hash that no password matches, to spend the same time on unknown names. */
const unusable = () => (nobodys ??= hash(newId(40)))

const nameLimit = 80
const passwordLeast = 10

export const hasAccounts = async (catalogue: Catalogue) => (await catalogue.accounts.count({ limit: 1 } as object)) > 0

/** The first sign-in, which may make books. Refused once there is one. */
export async function makeFirstAccount(catalogue: Catalogue, name: string, password: string): Promise<Result<Account>> {
  if (await hasAccounts(catalogue)) return fail({ kind: 'already-started' })
  return makeAccount(catalogue, name, password, true)
}

export async function makeAccount(
  catalogue: Catalogue,
  typed: string,
  password: string,
  makesBooks = false,
): Promise<Result<Account>> {
  const name = typed.normalize('NFC').replace(/\s+/g, ' ').trim()
  if (name.length < 1 || name.length > nameLimit) return fail({ kind: 'account-name', limit: nameLimit })
  if (password.length < passwordLeast) return fail({ kind: 'password-short', least: passwordLeast })
  if (await catalogue.accounts.findOne({ where: { name } })) return fail({ kind: 'account-taken', name })
  const full = await roomProblem(catalogue)
  if (full) return fail(full)
  const account = { id: newId(), name, makesBooks }
  // argon2id with the library's defaults, 19 MiB and two passes, as OWASP asks at the least.
  const password_hash = await hash(password)
  await catalogue.accounts.create({ id: account.id, name, password_hash, makes_books: makesBooks, created_at: stamp() })
  return ok(account)
}

/** Checks a name and password. After five wrong tries each further one must wait longer. */
export async function checkPassword(catalogue: Catalogue, name: string, password: string): Promise<Result<Account>> {
  const seconds = await waitFor(catalogue, name)
  if (seconds > 0) return fail({ kind: 'wait', seconds })
  const row = (await catalogue.accounts.findOne({ where: { name: name.normalize('NFC').trim() } }))?.get({
    plain: true,
  })
  // An unknown name takes as long as a wrong password, so that names can't be guessed by the clock.
  const right = await verify(row?.password_hash ?? (await unusable()), password).catch(() => false)
  if (!row || !right) {
    await noteWrongTry(catalogue, name)
    return fail({ kind: 'wrong-sign-in' })
  }
  await clearTries(catalogue, name)
  return ok({ id: row.id, name: row.name, makesBooks: Boolean(row.makes_books) })
}
