'use server'

import { cookies, headers } from 'next/headers'
import * as z from 'zod'
import { ok } from '@/core/words'
import { makeBook } from '@/server/books'
import { catalogue } from '@/server/catalogue'
import { addressHeader } from '@/server/front-door'
import { newId } from '@/server/ids'
import {
  beginSession,
  changePassword,
  checkPassword,
  endOtherSessions,
  endSession,
  makeFirstAccount,
} from '@/server/people'
import { accountAction, knownBrowser, openAction, sealedSession } from './door'

const SignIn = z.strictObject({ name: z.string().max(400), password: z.string().max(1000) })

async function begin(accountId: string): Promise<void> {
  const sealed = await sealedSession()
  sealed.token = await beginSession(await catalogue(), accountId)
  await sealed.save()
  const browser = await knownBrowser()
  browser.id ??= newId()
  browser.accounts = [accountId, ...(browser.accounts ?? []).filter((id) => id !== accountId)].slice(0, 20)
  await browser.save()
}

export const signIn = openAction(SignIn, async ({ name, password }) => {
  const { id, accounts = [] } = await knownBrowser()
  const address = (await headers()).get(addressHeader) ?? 'unknown'
  const from = { address, ...(id && { browser: { id, accounts } }) }
  const account = await checkPassword(await catalogue(), name, password, from)
  if (!account.ok) return account
  await begin(account.value.id)
  return ok(null)
})

const NewPassword = z.strictObject({ current: z.string().max(1000), wished: z.string().max(1000) })

/** One's own new password; wherever else one is signed in, that ends. */
export const ownPassword = accountAction(NewPassword, async (account, { current, wished }) => {
  const db = await catalogue()
  const { token = '' } = await sealedSession()
  return changePassword(db, account, current, wished, (id) => endOtherSessions(db, id, token))
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
