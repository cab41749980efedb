import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { catalogue } from '@/server/catalogue'
import { hasAccounts } from '@/server/people'
import { Threshold } from '@/ui/shell/threshold'
import { currentAccount } from '../door'
import { PasswordForm } from '../password-form'

export const metadata: Metadata = { title: 'Welcome' }

export default async function StartPage() {
  // Whoever just began is signed in, and this page is drawn once more with that answer: straight on, by no detour
  // through the sign-in, which could come after the books are there and take away what was typed.
  if (await currentAccount()) redirect('/books')
  if (await hasAccounts(await catalogue())) redirect('/sign-in')
  return (
    <Threshold
      head="Welcome to Hearth Table"
      say="You are the first here, so you will be the administrator: you make the record books and say who may use them."
    >
      <PasswordForm kind="start" />
    </Threshold>
  )
}
