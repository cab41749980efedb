import { Rows3 } from 'lucide-react'
import Link from 'next/link'
import type { Table } from '@/core/book'
import { nameOf } from '@/core/lists'
import { aOrAn, inSentence, plural } from '@/core/words'
import { buttonLook, TextBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { ColumnChooser } from '../column-chooser'
import { FilterButton } from '../list-filter'
import type { GridData } from './use-grid-data'

interface Props {
  readonly table: Table
  readonly finding: GridData['finding']
  readonly columns: readonly string[]
  readonly onColumns: (columns: readonly string[]) => void
}

export function GridHead({ table, finding, columns, onColumns }: Props) {
  const { book, base } = useRecords()
  const { trail } = finding
  return (
    <div className="flex flex-wrap items-center justify-between gap-3 px-6 pt-4 pb-3 max-md:px-3">
      <div className="flex items-baseline gap-3">
        <h1 className="text-[22px] leading-tight">{plural(table.name)} in a grid</h1>
        <p role="status" className="text-[13px] text-ash-6">
          {finding.status}
          {trail && ` by the list “${nameOf(book, trail.list)}”`}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        {!trail && (
          <>
            <TextBox
              type="search"
              aria-label={`Find ${aOrAn(inSentence(table.name))}`}
              placeholder={`Find ${aOrAn(inSentence(table.name))}…`}
              value={finding.typed}
              onChange={(event) => finding.setTyped(event.target.value)}
              className="!w-[200px]"
            />
            <FilterButton book={book} table={table} filter={finding.filter} onChange={finding.setFilter} />
          </>
        )}
        <ColumnChooser table={table} columns={columns} onChoose={onColumns} />
        <Link href={trail?.back ?? `${base}/${table.id}`} className={buttonLook()}>
          <Rows3 size={15} aria-hidden /> List
        </Link>
      </div>
    </div>
  )
}
