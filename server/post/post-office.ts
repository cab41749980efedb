import { unsealData, sealData } from 'iron-session'
import { fail, ok, type Result } from '@/core/words'
import { isEmailAddress } from '@/core/kinds'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'

/** How a connection to a post office is kept safe: from its first word on, after a word of agreement, or not at all. */
const safeties = ['tls', 'agreed', 'none'] as const
export type Safety = (typeof safeties)[number]

/** A real post office's address, and how one signs in there. */
export interface RealOffice {
  readonly host: string
  readonly port: number
  readonly safety: Safety
  readonly user: string | undefined
}

/** By which post office a book's e-mails go, and who they are from. */
interface PostOffice {
  readonly senderName: string
  readonly senderAddress: string
  /** None where it is the one that ships with the program, from which nothing leaves the machine. */
  readonly real: RealOffice | undefined
}

interface Row {
  readonly sender_name: string
  readonly sender_address: string
  readonly host: string | null
  readonly port: number | null
  readonly safety: string | null
  readonly user: string | null
  readonly password: string | null
}

/** The post office of a book as it was set up; undefined where it never was. */
export async function postOfficeOf(
  db: Catalogue,
  book: string,
): Promise<(PostOffice & { readonly sealed: string | undefined }) | undefined> {
  const [row] = await select<Row>(
    db,
    `SELECT sender_name, sender_address, host, port, safety, user, password
     FROM \`${db.catalogue}\`.post_offices WHERE book_id = ?`,
    [book],
  )
  if (!row) return undefined
  const { host, port, safety } = row
  const real = host !== null && {
    host,
    port: port ?? 587,
    safety: safeties.find((one) => one === safety) ?? 'agreed',
    user: row.user ?? undefined,
  }
  return {
    senderName: row.sender_name,
    senderAddress: row.sender_address,
    real: real || undefined,
    sealed: row.password ?? undefined,
  }
}

/** @param password undefined where it is to stay as it is */
export async function setPostOffice(
  db: Catalogue,
  book: string,
  { senderName, senderAddress, real }: PostOffice,
  password: string | undefined,
): Promise<Result<null>> {
  const address = senderAddress.trim()
  if (!isEmailAddress(address)) return fail({ kind: 'not-email', text: address })
  const sealed = await sealedFor(db, book, real, password)
  await run(
    db,
    `REPLACE INTO \`${db.catalogue}\`.post_offices
     (book_id, sender_name, sender_address, host, port, safety, user, password) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
    [
      ...[book, senderName.trim(), address],
      ...(real ? [real.host, real.port, real.safety, real.user ?? null] : [null, null, null, null]),
      sealed ?? null,
    ],
  )
  return ok(null)
}

/** The password of a post office, sealed: a new one, or the one before where it goes with the same machine and user. */
async function sealedFor(
  db: Catalogue,
  book: string,
  real: RealOffice | undefined,
  password: string | undefined,
): Promise<string | undefined> {
  if (!real?.user) return undefined
  if (password !== undefined) return sealData(password, { password: secret(), ttl: 0 })
  const before = await postOfficeOf(db, book)
  return before?.real?.host === real.host && before.real.user === real.user ? before.sealed : undefined
}

/** The password that was sealed; undefined where it can't be opened any more. */
export const openedPassword = async (sealed: string): Promise<string | undefined> => {
  const opened = await unsealData(sealed, { password: secret(), ttl: 0 }).catch(() => undefined)
  return typeof opened === 'string' && opened ? opened : undefined
}

function secret(): string {
  const found = process.env.HEARTH_SECRET
  if (!found) throw new Error('HEARTH_SECRET is not set; start the application with npm run demo or npm run dev.')
  return found
}

/** "Emberly Flue Care <office@emberly.example>". */
export const sayAddress = ({ name, address }: { readonly name: string; readonly address: string }): string =>
  name ? `${name} <${address}>` : address
