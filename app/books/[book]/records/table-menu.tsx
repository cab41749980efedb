'use client'

import { Plus } from 'lucide-react'
import { shownTables } from '@/core/records'
import { inSentence } from '@/core/words'
import { Button, Menu, MenuLink } from '@/ui/kit'
import { useRecords } from './records-context'

interface Props {
  /** What the button is called: "New list". */
  readonly name: string
  /** What stands before a table's name: "Each visit". */
  readonly each: string
  readonly href: (table: string) => string
}

/** For which table something new is. */
export function TableMenu({ name, each, href }: Props) {
  const { book } = useRecords()
  const { main, lists } = shownTables(book)
  return (
    <Menu
      trigger={
        <Button look="main">
          <Plus size={16} aria-hidden /> {name}
        </Button>
      }
    >
      {[...main, ...lists].map((table) => (
        <MenuLink key={table.id} href={href(table.id)}>
          {each} {inSentence(table.name)}
        </MenuLink>
      ))}
    </Menu>
  )
}
