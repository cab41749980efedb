'use client'

import { useRouter } from 'next/navigation'
import { MenuHead, MenuItem, MenuLine } from '@/ui/kit'
import { useRecords } from '../records-context'
import { choicesOf } from './documents-of'

interface Props {
  readonly table: string
  /** Where a document of the choice is looked at. */
  readonly path: (document: string) => string
  /** Keeps what the documents are for, where that isn't said by the path. */
  readonly onGo?: (() => boolean) | undefined
}

/** The documents of a table: those that are kept, and those that the program writes by itself. */
export function DocumentChoices({ table, path, onGo }: Props) {
  const { book } = useRecords()
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
    <>
      {kept}
      {kept.length > 0 && <MenuLine />}
      <MenuHead>Laid out by the program</MenuHead>
      {some(true)}
    </>
  )
}
