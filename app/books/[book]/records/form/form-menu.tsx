'use client'

import { ChevronDown } from 'lucide-react'
import Link from 'next/link'
import type { ListRow } from '@/core/records'
import { Menu, MenuItem, MenuLine, MenuLink, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { useForms } from './use-form'

interface Props {
  readonly tableId: string
  readonly row: ListRow | undefined
}

/** Which form a record is typed in, where there are several; for administrators, how that is arranged. */
export function FormMenu({ tableId, row }: Props) {
  const { base, role } = useRecords()
  const { forms, form, choose } = useForms(tableId)
  const mayArrange = role === 'administrator'
  if (!mayArrange && forms.length < 2) return null
  const shown = row ? `record=${encodeURIComponent(row.ref)}` : ''
  const arrange = (id?: string) => `${base}/${tableId}/arrange?${[id && `form=${id}`, shown].filter(Boolean).join('&')}`
  if (!form)
    return (
      <Link
        href={arrange()}
        className="min-h-7 rounded-sm px-1 text-[13px] text-spruce underline-offset-2 hover:underline"
      >
        Arrange the form
      </Link>
    )
  return (
    <Menu
      trigger={
        <WordButton>
          <span className="sr-only">Form: </span>
          {form.name} <ChevronDown size={13} aria-hidden className="inline" />
        </WordButton>
      }
    >
      {forms.map((one) => (
        <MenuItem key={one.id} onSelect={() => choose(one.id)}>
          {one.name}
          {one.id === form.id && <span className="text-ash-6"> (this one)</span>}
        </MenuItem>
      ))}
      {mayArrange && (
        <>
          <MenuLine />
          <MenuLink href={arrange(form.id)}>Arrange this form</MenuLink>
          <MenuLink href={arrange('new')}>Another form</MenuLink>
          <MenuLink href={`${base}/look`}>How all forms look</MenuLink>
        </>
      )}
    </Menu>
  )
}
