import { hasUnseen, isBlank } from '@/core/kinds'
import { fail, ok, type Result } from '@/core/words'
import type { AccountRow, Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { roomProblem } from '../disk-room'
import { newId } from '../ids'
import { hashOf, isRight, passwordProblem } from './passwords'
import { type Bucket, countIn, dropEmptyBuckets, uncountTry } from './tries'

export interface Account {
  readonly id: string
  readonly name: string
  readonly makesBooks: boolean
}

/** Where somebody tries to sign in from. */
export interface Origin {
  readonly address: string
  /** The browser's own mark and the accounts that have signed in with it before. */
  readonly browser?: { readonly id: string; readonly accounts: readonly string[] } | undefined
}

const nameLimit = 80

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
  if (isBlank(name) || name.length > nameLimit) return fail({ kind: 'account-name', limit: nameLimit })
  if (hasUnseen(name)) return fail({ kind: 'odd-characters' })
  const problem = passwordProblem(password, name)
  if (problem) return fail(problem)
  if (await catalogue.accounts.findOne({ where: { name } })) return fail({ kind: 'account-taken', name })
  const full = await roomProblem(catalogue)
  if (full) return fail(full)
  const account = { id: newId(), name, makesBooks }
  await catalogue.accounts.create({
    id: account.id,
    name,
    password_hash: await hashOf(password),
    makes_books: makesBooks,
    created_at: stamp(),
    removed_at: null,
  })
  return ok(account)
}

/** An account that can still be used, by name. */
async function findByName({ accounts }: Catalogue, name: string): Promise<AccountRow | undefined> {
  const row = (await accounts.findOne({ where: { name: name.normalize('NFC').trim() } }))?.get({ plain: true })
  return row?.removed_at === null ? row : undefined
}

// A browser that somebody has signed in with before has tries of its own, so that nobody who guesses at a name
// from elsewhere keeps its owner out.
const byName = { most: 10, seconds: 60 }
const byAddress = { most: 30, seconds: 20 }
const byBrowser = { most: 10, seconds: 30 }

function bucketsFor(name: string, account: AccountRow | undefined, { address, browser }: Origin): Bucket[] {
  if (account && browser?.accounts.includes(account.id))
    return [{ name: `browser ${browser.id} ${account.id}`, rate: byBrowser }]
  return [
    { name: `name ${name.normalize('NFC').trim().slice(0, 80)}`, rate: byName },
    { name: `address ${address.slice(0, 80)}`, rate: byAddress },
  ]
}

/** Checks a name and password. Tries are counted before anything is checked, and wrong ones leak away with time. */
export async function checkPassword(
  catalogue: Catalogue,
  name: string,
  password: string,
  from: Origin,
): Promise<Result<Account>> {
  const account = await findByName(catalogue, name)
  const buckets = bucketsFor(name, account, from)
  const seconds = await countIn(catalogue, buckets)
  if (seconds > 0) return fail({ kind: 'wait', seconds })
  // An unknown name takes as long as a wrong password, so that names can't be guessed by the clock.
  if (!(await isRight(account?.password_hash, password))) return fail({ kind: 'wrong-sign-in' })
  for (const bucket of buckets) await uncountTry(catalogue, bucket)
  await dropEmptyBuckets(catalogue)
  return ok({ id: account!.id, name: account!.name, makesBooks: Boolean(account!.makes_books) })
}

/** Somebody's own new password, for which they give the one they have. Their other sessions end; `keep` stays. */
export async function changePassword(
  catalogue: Catalogue,
  account: Account,
  current: string,
  wished: string,
  keep: (accountId: string) => Promise<unknown>,
): Promise<Result<null>> {
  const bucket = { name: `change ${account.id}`, rate: byBrowser }
  const seconds = await countIn(catalogue, [bucket])
  if (seconds > 0) return fail({ kind: 'wait', seconds })
  const row = (await catalogue.accounts.findByPk(account.id))?.get({ plain: true })
  if (!(await isRight(row?.password_hash, current))) return fail({ kind: 'wrong-password' })
  await uncountTry(catalogue, bucket)
  const problem = passwordProblem(wished, account.name)
  if (problem) return fail(problem)
  const full = await roomProblem(catalogue)
  if (full) return fail(full)
  await catalogue.accounts.update({ password_hash: await hashOf(wished) }, { where: { id: account.id } })
  await keep(account.id)
  return ok(null)
}
