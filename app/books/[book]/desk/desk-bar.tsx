'use client'

import { AccountBar } from '@/app/account-bar'

export interface DeskPeople {
  readonly id: string
  readonly name: string
  readonly account: string
  readonly role: 'administrator' | 'staff' | 'reader'
  readonly books: readonly { readonly id: string; readonly name: string }[]
}

interface Props extends DeskPeople {
  readonly onFind?: () => void
  readonly onShortcuts?: () => void
}

/** The top bar at the Desk. Staff and readers never see the other sides. */
export function DeskBar({ id, name, account, role, books, onFind, onShortcuts }: Props) {
  const base = `/books/${id}`
  return (
    <AccountBar
      account={account}
      book={{ name, others: books.filter((book) => book.id !== id) }}
      {...(role === 'administrator' && {
        sides: [
          { title: 'Workshop', href: `${base}/workshop/needs`, here: false },
          { title: 'Desk', href: `${base}/desk`, here: true },
          { title: 'Office', href: `${base}/office/people`, here: false },
        ],
      })}
      {...(onFind && { onFind })}
      {...(onShortcuts && { onShortcuts })}
    />
  )
}
