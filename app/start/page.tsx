import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { catalogue } from '@/server/catalogue'
import { hasAccounts } from '@/server/people'
import { Threshold } from '@/ui/shell/threshold'
import { PasswordForm } from '../password-form'

export const metadata: Metadata = { title: 'Welcome' }

export default async function StartPage() {
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
