'use client'

import { useMemo } from 'react'
import {
  type Crossing,
  crossGroups,
  groupAt,
  type GroupCell,
  type GroupLine,
  type ReadList,
  type ReadMeasure,
  sayGroup,
  sayMeasure,
  showMeasure,
} from '@/core/lists'
import { capital } from '@/core/words'
import { classNames } from '@/ui/kit'
import { useRecords } from '../records-context'
import type { Path } from './use-list-lines'

/** So many columns stand side by side. */
const mostColumns = 60
const mostRows = 400

interface Props {
  readonly read: ReadList
  readonly of: ReadMeasure
  /** What else is told of each row. */
  readonly against?: ReadMeasure | undefined
  readonly crossing: Crossing
  /** Called with the keys of a row, a column, or both. */
  readonly onOpen: (path: Path, words: string) => void
  /** As high as it is, in a page that scrolls. */
  readonly whole?: boolean
}

/** Two groups crossed: a row for each of the one, a column for each of the other, and what all of them come to. */
export function CrossedTable({ read, of, against, crossing, onOpen, whole }: Props) {
  const { book } = useRecords()
  const first = groupAt(read, 0)
  const crossed = useMemo(
    () => crossGroups(book.look, read, against ? { ...crossing, columns: undefined, both: undefined } : crossing),
    [book.look, read, crossing, against],
  )
  // What is put against something else is a point each, without those that are nowhere.
  const allRows = against ? crossed.rows.filter((row) => crossed.ofRow(row)) : crossed.rows
  const rows = allRows.slice(0, mostRows)
  const columns = crossed.columns.slice(0, mostColumns)
  const showOf = (one: ReadMeasure, line: GroupLine | undefined) => showMeasure(one, line, book.look)
  const show = (line: GroupLine | undefined) => showOf(of, line)
  const head = (cell: GroupCell, at: 0 | 1) => sayGroup(book.look, groupAt(read, at), cell, at === 1)
  return (
    <div
      className={classNames(
        'border-t border-ash-3',
        whole ? 'shrink-0 overflow-x-auto pb-4' : 'min-h-0 flex-1 overflow-auto',
      )}
    >
      <MoreThanShown rows={allRows.length - rows.length} columns={crossed.columns.length - columns.length} />
      <table className="border-separate border-spacing-0 text-[14px]">
        <thead>
          <tr>
            <th scope="col" className={classNames(headLook, 'sticky left-0 z-20 min-w-[160px] text-left')}>
              {first.heading}
            </th>
            {columns.map((cell) => (
              <th key={cell.same} scope="col" className={classNames(headLook, 'min-w-[84px] text-right')}>
                {head(cell, 1)}
              </th>
            ))}
            {against && (
              <th scope="col" className={classNames(headLook, 'min-w-[96px] text-right')}>
                {capital(sayMeasure(read, against))}
              </th>
            )}
            <th scope="col" className={classNames(headLook, 'right-0 z-20 min-w-[96px] border-l text-right text-ink')}>
              {against ? capital(sayMeasure(read, of)) : 'All'}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.same} className="group">
              <th
                scope="row"
                className="sticky left-0 z-10 max-w-[280px] truncate border-b border-ash-3 bg-paper py-1.5 pr-3 pl-6 text-left font-normal group-hover:bg-ash-1 max-md:pl-3"
                title={head(row, 0)}
              >
                {head(row, 0)}
              </th>
              {columns.map((column) => {
                const line = crossed.at(row, column)
                return (
                  <td key={column.same} className={cellLook}>
                    <Open
                      words={show(line)}
                      onOpen={line && (() => onOpen([row.key, column.key], `${head(row, 0)}, ${head(column, 1)}`))}
                    />
                  </td>
                )
              })}
              {against && <td className={cellLook}>{showOf(against, crossed.ofRow(row))}</td>}
              <td className={classNames(cellLook, 'sticky right-0 border-l border-l-ash-4 bg-paper font-semibold')}>
                <Open
                  words={show(crossed.ofRow(row))}
                  onOpen={crossed.ofRow(row) ? () => onOpen([row.key], head(row, 0)) : undefined}
                />
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th
              scope="row"
              className="sticky bottom-0 left-0 z-20 border-t-2 border-ink bg-paper py-1.5 pr-3 pl-6 text-left font-semibold max-md:pl-3"
            >
              All
            </th>
            {columns.map((column) => (
              <td key={column.same} className={footLook}>
                {show(crossed.ofColumn(column))}
              </td>
            ))}
            {against && <td className={footLook}>{showOf(against, crossing.all)}</td>}
            <td className={classNames(footLook, 'right-0 z-10 border-l border-l-ash-4')}>{show(crossing.all)}</td>
          </tr>
        </tfoot>
      </table>
    </div>
  )
}

const headLook =
  'sticky top-0 z-10 border-b border-ash-4 bg-ash-1 px-2 py-2 first:pl-6 text-[13px] font-semibold text-ash-6 max-md:first:pl-3'
const cellLook = 'border-b border-ash-3 px-2 py-1.5 text-right tabular-nums group-hover:bg-ash-1'
const footLook = 'sticky bottom-0 border-t-2 border-ink bg-paper px-2 py-1.5 text-right font-semibold tabular-nums'

const Open = ({ words, onOpen }: { readonly words: string; readonly onOpen: (() => void) | undefined }) =>
  onOpen && words ? (
    <button type="button" onClick={onOpen} className="rounded-sm hover:text-spruce hover:underline">
      {words}
    </button>
  ) : (
    <span className="text-ash-5">{words}</span>
  )

interface MoreProps {
  readonly rows: number
  readonly columns: number
}

function MoreThanShown({ rows, columns }: MoreProps) {
  if (rows <= 0 && columns <= 0) return null
  return (
    <p role="status" className="px-6 py-1.5 text-[13px] text-brass max-md:px-3">
      There is more than is shown here{columns > 0 ? `: ${columns} more columns` : ''}
      {rows > 0 ? `${columns > 0 ? ',' : ':'} ${rows.toLocaleString('en-GB')} more rows` : ''}. Group in bigger steps,
      or add a condition. What stands under “All” counts everything.
    </p>
  )
}
