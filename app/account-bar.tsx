'use client'

import { useRouter } from 'next/navigation'
import type { ComponentProps } from 'react'
import { TopBar } from '@/ui/shell/top-bar'
import { chooseTheme, signOut } from './account-actions'

/** The top bar with what every page does the same way: theme and signing out. */
export function AccountBar(props: Omit<ComponentProps<typeof TopBar>, 'onTheme' | 'onSignOut'>) {
  const router = useRouter()
  return (
    <TopBar
      {...props}
      onTheme={(theme) => void chooseTheme(theme)}
      onSignOut={async () => {
        await signOut(null)
        router.replace('/sign-in')
        router.refresh()
      }}
    />
  )
}
