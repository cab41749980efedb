import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { catalogue } from '@/server/catalogue'
import { hasAccounts } from '@/server/people'
import { Threshold } from '@/ui/shell/threshold'
import { currentAccount } from '../door'
import { PasswordForm } from '../password-form'

export const metadata: Metadata = { title: 'Sign in' }

export default async function SignInPage() {
  if (await currentAccount()) redirect('/books')
  if (!(await hasAccounts(await catalogue()))) redirect('/start')
  return (
    <Threshold head="Sign in" say="With the name and password your administrator gave you.">
      <PasswordForm kind="sign-in" />
    </Threshold>
  )
}
