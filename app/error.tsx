'use client'

import { useRouter } from 'next/navigation'
import { startTransition } from 'react'
import { Button } from '@/ui/kit'
import { Threshold } from '@/ui/shell/threshold'

/** Where a page can't be made, as while the database is away: what to do, and nothing of the inside. */
export default function FailedPage({ reset }: { readonly reset: () => void }) {
  const router = useRouter()
  const again = () =>
    startTransition(() => {
      router.refresh()
      reset()
    })
  return (
    <Threshold
      head="This page can’t be shown just now"
      say="Something went wrong on our side, or the database doesn’t answer. All that was saved is kept. Wait a moment, then try again; if it stays like this, tell whoever looks after this computer."
    >
      <Button look="main" onClick={again}>
        Try again
      </Button>
    </Threshold>
  )
}
