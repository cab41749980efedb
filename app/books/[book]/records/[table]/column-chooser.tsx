'use client'

import { Columns3 } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useState, useSyncExternalStore } from 'react'
import type { Table } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { Button, TickBox } from '@/ui/kit'

const shownAtFirst = 8

/** Where columns are looked at: a list has room for some at first, a grid for all that one types into. */
type Where = 'list' | 'grid'

const usual = (table: Table, where: Where) =>
  where === 'grid'
    ? table.fields.filter((field) => kindOf(field.kind).control !== 'file').map((field) => field.id)
    : table.fields
        .filter((field) => kindOf(field.kind).control !== 'passage' && kindOf(field.kind).control !== 'file')
        .slice(0, shownAtFirst)
        .map((field) => field.id)

const never = () => () => undefined

/** The columns one person looks at in one table, remembered in this browser. */
export function useColumns(
  table: Table,
  where: Where = 'list',
): [readonly string[], (columns: readonly string[]) => void] {
  const place = `hearth-columns-${where === 'grid' ? 'grid-' : ''}${table.id}`
  const stored = useSyncExternalStore(
    never,
    () => localStorage.getItem(place),
    () => null,
  )
  const [chosen, setChosen] = useState<readonly string[]>()
  const own = new Set(table.fields.map((field) => field.id))
  const remembered = stored?.split(',').filter((id) => own.has(id)) ?? []
  const columns = chosen ?? (remembered.length > 0 ? remembered : usual(table, where))
  return [
    columns,
    (next) => {
      setChosen(next)
      localStorage.setItem(place, next.join(','))
    },
  ]
}

interface Props {
  readonly table: Table
  readonly columns: readonly string[]
  readonly onChoose: (columns: readonly string[]) => void
}

export function ColumnChooser({ table, columns, onChoose }: Props) {
  const shown = new Set(columns)
  const toggle = (id: string, now: boolean) => {
    if (now) shown.add(id)
    else shown.delete(id)
    const next = table.fields.map((field) => field.id).filter((field) => shown.has(field))
    if (next.length > 0) onChoose(next)
  }
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>
          <Columns3 size={15} aria-hidden /> Columns
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          aria-label="Columns of the list"
          className="z-40 max-h-[60vh] w-[240px] overflow-y-auto rounded-lg bg-paper p-4 shadow-float"
        >
          <p className="mb-1 font-bold">Columns of the list</p>
          <ul>
            {table.fields.map((field) => (
              <li key={field.id}>
                <TickBox
                  id={`column-${field.id}`}
                  checked={shown.has(field.id)}
                  label={field.name}
                  onChange={(now) => toggle(field.id, now)}
                />
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
