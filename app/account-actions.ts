'use server'

import { cookies } from 'next/headers'
import * as z from 'zod'
import { ok } from '@/core/words'
import { makeBook } from '@/server/books'
import { catalogue } from '@/server/catalogue'
import { beginSession, checkPassword, endSession, makeFirstAccount } from '@/server/people'
import { accountAction, openAction, sealedSession } from './door'

const SignIn = z.strictObject({ name: z.string().max(400), password: z.string().max(1000) })

async function begin(accountId: string): Promise<void> {
  const sealed = await sealedSession()
  sealed.token = await beginSession(await catalogue(), accountId)
  await sealed.save()
}

export const signIn = openAction(SignIn, async ({ name, password }) => {
  const account = await checkPassword(await catalogue(), name, password)
  if (!account.ok) return account
  await begin(account.value.id)
  return ok(null)
})

/** The first start: makes the administrator and signs them in. */
export const startUp = openAction(SignIn, async ({ name, password }) => {
  const account = await makeFirstAccount(await catalogue(), name, password)
  if (!account.ok) return account
  await begin(account.value.id)
  return ok(null)
})

export const signOut = accountAction(z.null(), async () => {
  const sealed = await sealedSession()
  if (sealed.token) await endSession(await catalogue(), sealed.token)
  sealed.destroy()
  return ok(null)
})

export const newBook = accountAction(z.strictObject({ name: z.string().max(400) }), async (account, { name }) =>
  makeBook(await catalogue(), account, name),
)

const Theme = z.enum(['light', 'dark', 'system'])

export const chooseTheme = openAction(Theme, async (theme) => {
  ;(await cookies()).set('hearth-theme', theme, { sameSite: 'lax', path: '/', maxAge: 365 * 24 * 3600, httpOnly: true })
  return ok(null)
})
