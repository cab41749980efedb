import { getIronSession } from 'iron-session'
import { cookies } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { cache } from 'react'
import type * as z from 'zod'
import { fail, type Result } from '@/core/words'
import { findBook, type StoredBook } from '@/server/books'
import { type Catalogue, catalogue, type Role } from '@/server/catalogue'
import { heavyProblem } from '@/server/live'
import { log } from '@/server/log'
import { type Account, accountOfSession, hasAccounts, reaches, roleIn } from '@/server/people'

interface Sealed {
  token?: string
}

/** The sealed cookie that carries the session's secret: http-only and same-site. */
export async function sealedSession() {
  return sealed<Sealed>('hearth-session', 7 * 24 * 3600)
}

async function sealed<Contents extends object>(cookieName: string, maxAge: number) {
  const password = process.env.HEARTH_SECRET
  if (!password) throw new Error('HEARTH_SECRET is not set; start the application with npm run demo or npm run dev.')
  const options = {
    cookieName,
    password,
    ttl: 0,
    cookieOptions: {
      httpOnly: true,
      sameSite: 'lax' as const,
      secure: process.env.HEARTH_HTTPS === '1',
      path: '/',
      maxAge,
    },
  }
  const store = await cookies()
  // A seal that can't even be read is as good as none.
  return getIronSession<Contents>(store, options).catch(() =>
    getIronSession<Contents>({ get: () => undefined, set: store.set.bind(store) } as unknown as typeof store, options),
  )
}

interface Known {
  id?: string
  accounts?: string[]
}

/** The sealed cookie by which a browser is known that somebody has signed in with; it outlasts signing out. */
export async function knownBrowser() {
  return sealed<Known>('hearth-known', 400 * 24 * 3600)
}

/** Who is at the door, if they are signed in. Asked once for each request. */
export const currentAccount = cache(async (): Promise<Account | undefined> => {
  const { token } = await sealedSession()
  return token ? accountOfSession(await catalogue(), token) : undefined
})

/** For pages: whoever isn't signed in goes to the sign-in, or to the very first start. */
export async function signedIn(): Promise<Account> {
  const account = await currentAccount()
  if (account) return account
  redirect((await hasAccounts(await catalogue())) ? '/sign-in' : '/start')
}

export interface AtBook {
  readonly db: Catalogue
  readonly account: Account
  readonly role: Role
  readonly stored: StoredBook
}

const enter = cache(async (bookId: string, asked: Role): Promise<AtBook | undefined> => {
  const account = await currentAccount()
  if (!account) return undefined
  const db = await catalogue()
  const role = await roleIn(db, account.id, bookId)
  if (!role || !reaches(role, asked)) return undefined
  const stored = await findBook(db, bookId)
  return stored && { db, account, role, stored }
})

/** For pages of a book. A book one may not see looks as if it weren't there. */
export async function bookPage(bookId: string, asked: Role): Promise<AtBook> {
  await signedIn()
  return (await enter(bookId, asked)) ?? notFound()
}

/** For server actions on a book: checks the role, reads the message, and lets no error's inside out. */
export function bookAction<Schema extends z.ZodType, T>(
  asked: Role,
  schema: Schema,
  act: (at: AtBook, message: z.infer<Schema>) => Promise<Result<T>>,
): (bookId: string, message: z.infer<Schema>) => Promise<Result<T>> {
  return (bookId, message) =>
    guarded(async () => {
      if (!(await currentAccount())) return fail({ kind: 'signed-out' })
      const at = await enter(String(bookId), asked)
      if (!at) return fail({ kind: 'not-allowed' })
      const read = schema.safeParse(message)
      return read.success ? act(at, read.data) : fail({ kind: 'unexpected' })
    })
}

/** For server actions of any signed-in account. */
export function accountAction<Schema extends z.ZodType, T>(
  schema: Schema,
  act: (account: Account, message: z.infer<Schema>) => Promise<Result<T>>,
): (message: z.infer<Schema>) => Promise<Result<T>> {
  return (message) =>
    guarded(async () => {
      const account = await currentAccount()
      if (!account) return fail({ kind: 'signed-out' })
      const read = schema.safeParse(message)
      return read.success ? act(account, read.data) : fail({ kind: 'unexpected' })
    })
}

/** For the two actions of those who aren't signed in yet. */
export function openAction<Schema extends z.ZodType, T>(
  schema: Schema,
  act: (message: z.infer<Schema>) => Promise<Result<T>>,
): (message: z.infer<Schema>) => Promise<Result<T>> {
  return (message) =>
    guarded(async () => {
      const read = schema.safeParse(message)
      return read.success ? act(read.data) : fail({ kind: 'unexpected' })
    })
}

/** For route handlers of a book. */
export function bookRoute<Params extends { book: string }>(
  asked: Role,
  answer: (at: AtBook, request: Request, params: Params) => Promise<Response>,
) {
  return async (request: Request, { params }: { params: Promise<Params> }): Promise<Response> => {
    try {
      const known = await params
      if (isFromElsewhere(request)) return refused(403, fail({ kind: 'not-allowed' }))
      if (!(await currentAccount())) return refused(401, fail({ kind: 'signed-out' }))
      const at = await enter(known.book, asked)
      return at ? await answer(at, request, known) : refused(403, fail({ kind: 'not-allowed' }))
    } catch (cause) {
      log.error({ cause }, 'a request failed')
      return refused(500, fail({ kind: 'unexpected' }))
    }
  }
}

/** Whether another site's page sent a request that changes or makes something. Server actions are guarded so by Next itself. */
function isFromElsewhere(request: Request): boolean {
  if (request.method === 'GET' || request.method === 'HEAD') return false
  const origin = request.headers.get('origin')
  if (!origin) return request.headers.get('sec-fetch-site') === 'cross-site'
  const own = request.headers.get('x-forwarded-host') ?? request.headers.get('host')
  return !URL.canParse(origin) || new URL(origin).host !== own
}

export const refused = (status: number, result: Result<never>) => Response.json(result, { status })

async function guarded<T>(act: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await act()
  } catch (cause) {
    const heavy = heavyProblem(cause)
    if (heavy) return fail(heavy)
    log.error({ cause }, 'an action failed')
    return fail({ kind: 'unexpected' })
  }
}
