import type { Metadata } from 'next'
import { signedIn } from '../door'
import { OwnPassword } from './own-password'
import { Threshold } from '@/ui/shell/threshold'

export const metadata: Metadata = { title: 'Change your password' }

export default async function AccountPage() {
  const account = await signedIn()
  return (
    <Threshold
      head="Change your password"
      say={`You are signed in as ${account.name}. Everywhere else you will be signed out.`}
    >
      <OwnPassword name={account.name} />
    </Threshold>
  )
}
