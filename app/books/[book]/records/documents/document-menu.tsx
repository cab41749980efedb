'use client'

import { FileText } from 'lucide-react'
import dynamic from 'next/dynamic'
import { Button, Menu, MenuHead, MenuLine, MenuLink } from '@/ui/kit'
import { useRecords } from '../records-context'

// What the program writes by itself is worked out when somebody asks for it: most who look at a record never do.
const DocumentChoices = dynamic(() => import('./document-choices').then((made) => made.DocumentChoices), {
  loading: () => <MenuHead>Looking …</MenuHead>,
})

interface Props {
  readonly table: string
  /** Where a document of the choice is looked at. */
  readonly path: (document: string) => string
  /** Said before anything else, where there is something to know. */
  readonly note?: string | undefined
  /** Keeps what the documents are for, where that isn't said by the path. */
  readonly onGo?: (() => boolean) | undefined
}

/** The documents that can be handed out for some records. */
export function DocumentMenu({ table, path, note, onGo }: Props) {
  const { base, mayChange } = useRecords()
  return (
    <Menu
      trigger={
        <Button>
          <FileText size={15} aria-hidden /> Hand out
        </Button>
      }
    >
      {note && <MenuHead>{note}</MenuHead>}
      <DocumentChoices table={table} path={path} onGo={onGo} />
      {mayChange && (
        <>
          <MenuLine />
          <MenuLink href={`${base}/documents/new?of=${table}`}>Write a document …</MenuLink>
        </>
      )}
    </Menu>
  )
}
