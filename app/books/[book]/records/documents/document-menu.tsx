'use client'

import { FileText } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { Button, Menu, MenuHead, MenuItem, MenuLine, MenuLink } from '@/ui/kit'
import { useRecords } from '../records-context'
import { choicesOf } from './documents-of'

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
  const { book, base, mayChange } = useRecords()
  const router = useRouter()
  const all = choicesOf(book, table)
  const some = (isReady: boolean) =>
    all
      .filter((one) => one.isReady === isReady)
      .map(({ id, name }) => (
        <MenuItem key={id} onSelect={() => (onGo?.() ?? true) && router.push(path(id))}>
          {name}
        </MenuItem>
      ))
  const kept = some(false)
  return (
    <Menu
      trigger={
        <Button>
          <FileText size={15} aria-hidden /> Hand out
        </Button>
      }
    >
      {note && <MenuHead>{note}</MenuHead>}
      {kept}
      {kept.length > 0 && <MenuLine />}
      <MenuHead>Laid out by the program</MenuHead>
      {some(true)}
      {mayChange && (
        <>
          <MenuLine />
          <MenuLink href={`${base}/documents/new?of=${table}`}>Write a document …</MenuLink>
        </>
      )}
    </Menu>
  )
}
