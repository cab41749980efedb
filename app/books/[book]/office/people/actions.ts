'use server'

import * as z from 'zod'
import { bookAction } from '@/app/door'
import { ok } from '@/core/words'
import type { StoredBook } from '@/server/books'
import { makeAccount, membersOf, removeAccount, resetPassword, setRole } from '@/server/people'

/** A dry run is used by those who use its book. */
const bookOf = (stored: StoredBook) => stored.dryOf ?? stored.id

const Role = z.enum(['administrator', 'staff', 'reader'])

export const chooseRole = bookAction(
  'administrator',
  z.strictObject({ account: z.string().max(20), role: Role.nullable() }),
  async ({ db, stored }, { account, role }) => {
    const set = await setRole(db, bookOf(stored), account, role)
    return set.ok ? ok(await membersOf(db, bookOf(stored))) : set
  },
)

const Password = z.strictObject({ account: z.string().max(20), password: z.string().max(1000) })

/** A new password for somebody who has lost theirs; they are signed out everywhere. */
export const givePassword = bookAction('administrator', Password, async ({ db, account }, message) =>
  resetPassword(db, account, message.account, message.password),
)

/** Ends somebody's account in all books. */
export const removePerson = bookAction(
  'administrator',
  z.strictObject({ account: z.string().max(20) }),
  async ({ db, account, stored }, message) => {
    const removed = await removeAccount(db, account, message.account)
    return removed.ok ? ok(await membersOf(db, bookOf(stored))) : removed
  },
)

const Person = z.strictObject({ name: z.string().max(400), password: z.string().max(1000), role: Role })

/** Makes a sign-in and gives it a role in this book. */
export const addPerson = bookAction('administrator', Person, async ({ db, stored }, { name, password, role }) => {
  const made = await makeAccount(db, name, password)
  if (!made.ok) return made
  const set = await setRole(db, bookOf(stored), made.value.id, role)
  return set.ok ? ok(await membersOf(db, bookOf(stored))) : set
})
