'use client'

import type { Figure, Table } from '@/core/book'
import { figuresFor, type ReadColumn } from '@/core/lists'
import { ChoiceBox } from '@/ui/kit'
import { useRecords } from '../records-context'

const beneathWords = {
  total: 'total',
  average: 'average',
  least: 'least',
  greatest: 'greatest',
  different: 'how many different ones',
} as const

interface BeneathProps {
  readonly table: Table
  readonly columns: readonly ReadColumn[]
  readonly figures: readonly Figure[]
  readonly onChange: (figures: readonly Figure[]) => void
}

/** What stands beneath each column, under every group and under all. */
export function Beneath({ table, columns, figures, onChange }: BeneathProps) {
  const { book } = useRecords()
  const able = columns.flatMap((column) => {
    const all = figuresFor({ book }, table, column)
    return all.length > 0 ? [{ column, all }] : []
  })
  if (able.length === 0) return null
  const choose = (column: ReadColumn, to: Figure | undefined) =>
    onChange([...figures.filter((one) => one.column !== column.id), ...(to ? [to] : [])])
  return (
    <fieldset className="mt-4 border-t border-ash-3 pt-3">
      <legend className="sr-only">Beneath the columns</legend>
      <p className="text-[13px] text-ash-6">Beneath each group, and beneath all. Each record counts once.</p>
      <ul className="mt-2 grid gap-x-8 gap-y-2 sm:grid-cols-2">
        {able.map(({ column, all }) => {
          const now = figures.find((one) => one.column === column.id)
          return (
            <li key={column.id} className="flex items-center gap-2">
              <label
                htmlFor={`beneath-${column.id}`}
                className="min-w-0 flex-1 truncate text-[13px]"
                title={column.heading}
              >
                {column.heading}
              </label>
              <ChoiceBox
                id={`beneath-${column.id}`}
                value={now ? (now.name ?? 'same') : ''}
                onChange={(event) =>
                  choose(
                    column,
                    all.find((one) => (one.name ?? 'same') === event.target.value),
                  )
                }
                className="!w-[190px]"
              >
                <option value="">nothing</option>
                {all.map(({ name }) => (
                  <option key={name ?? 'same'} value={name ?? 'same'}>
                    {name ? beneathWords[name] : 'the same for all of them'}
                  </option>
                ))}
              </ChoiceBox>
            </li>
          )
        })}
      </ul>
    </fieldset>
  )
}
