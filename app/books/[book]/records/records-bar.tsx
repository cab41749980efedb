'use client'

import type { ReactNode } from 'react'
import { AccountBar } from '@/app/account-bar'

export interface RecordsPeople {
  readonly id: string
  readonly name: string
  readonly account: string
  readonly role: 'administrator' | 'staff' | 'reader'
  readonly books: readonly { readonly id: string; readonly name: string }[]
  /** The book whose design is tried out here with made-up records. */
  readonly dryOf?: string | undefined
}

interface Props extends RecordsPeople {
  /** Stands beside finding. */
  readonly beside?: ReactNode
  readonly onFind?: () => void
  readonly onShortcuts?: () => void
}

/** The top bar in Records. Staff and readers never see the other sides. */
export function RecordsBar({ id, name, account, role, books, dryOf, beside, onFind, onShortcuts }: Props) {
  const base = `/books/${id}`
  const workshop = dryOf ? `/books/${dryOf}/workshop/review` : `${base}/workshop/needs`
  return (
    <AccountBar
      account={account}
      book={{ name, others: books.filter((book) => book.id !== id) }}
      {...(role === 'administrator' && {
        sides: [
          { title: 'Workshop', href: workshop, here: false },
          { title: 'Records', href: `${base}/records`, here: true },
          ...(dryOf ? [] : [{ title: 'Office', href: `${base}/office/people`, here: false }]),
        ],
      })}
      beside={beside}
      {...(onFind && { onFind })}
      {...(onShortcuts && { onShortcuts })}
    />
  )
}
