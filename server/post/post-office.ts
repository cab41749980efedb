import { unsealData, sealData } from 'iron-session'
import { fail, ok, type Result } from '@/core/words'
import { isEmailAddress } from '@/core/kinds'
import type { Catalogue } from '../catalogue'
import { run, select } from '../database'

/** How a connection to a post office is kept safe: from its first word on, after a word of agreement, or not at all. */
export const safeties = ['tls', 'agreed', 'none'] as const
export type Safety = (typeof safeties)[number]

/** A real post office's address, and how one signs in there. */
export interface RealOffice {
  readonly host: string
  readonly port: number
  readonly safety: Safety
  readonly user: string | undefined
}

/** By which post office a book's e-mails go, and who they are from. */
export interface PostOffice {
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
  const before = await postOfficeOf(db, book)
  // A password goes with the host that it was given for, and to no other.
  const isSame = before?.real?.host === real?.host && before?.real?.user === real?.user
  const kept = password === undefined && isSame ? before?.sealed : undefined
  const sealed = real?.user ? (password ? await sealData(password, { password: secret(), ttl: 0 }) : kept) : undefined
  await run(
    db,
    `REPLACE INTO \`${db.catalogue}\`.post_offices
     (book_id, sender_name, sender_address, host, port, safety, user, password) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
    [
      ...[book, senderName.trim(), address, real?.host ?? null, real?.port ?? null, real?.safety ?? null],
      ...[real?.user ?? null, sealed ?? null],
    ],
  )
  return ok(null)
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
