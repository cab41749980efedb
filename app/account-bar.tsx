'use client'

import { useRouter } from 'next/navigation'
import type { ComponentProps } from 'react'
import { toast } from 'sonner'
import { wordProblem } from '@/core/words'
import { TopBar } from '@/ui/shell/top-bar'
import { answered } from './answered'
import { chooseTheme, signOut } from './account-actions'

/** The top bar with what every page does the same way: theme and signing out. */
export function AccountBar(props: Omit<ComponentProps<typeof TopBar>, 'onTheme' | 'onSignOut'>) {
  const router = useRouter()
  const leave = async () => {
    const left = await answered(signOut(null))
    if (!left.ok) return toast(wordProblem(left.problem))
    router.replace('/sign-in')
    router.refresh()
  }
  return <TopBar {...props} onTheme={(theme) => void chooseTheme(theme)} onSignOut={() => void leave()} />
}
