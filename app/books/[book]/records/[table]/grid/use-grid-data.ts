import { useSearchParams } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import { fieldOf, findField, type Table } from '@/core/book'
import { type GridRow, openNames, unsaved } from '@/core/grid'
import { unmatchedWords } from '@/core/kinds'
import { formLayout } from '@/core/records'
import { conditionsSource } from '@/core/rules'
import { counted } from '@/core/words'
import { officeNow } from '@/app/office-now'
import { freshId } from '@/ui/ids'
import { useLinkedValues } from '../../form/linked-values'
import { useRecords } from '../../records-context'
import { useRows } from '../../rows-query'
import { useTrail } from '../../lists/trail'
import { useSettled } from '../../use-settled'
import { useColumns } from '../column-chooser'
import type { Filter } from '../list-filter'
import { useOrder } from '../use-order'
import { gridLines } from './grid-lines'
import { useChecks } from './use-checks'
import { useGrid } from './use-grid'
import { takeGridDraft, useGridDraft } from './use-grid-draft'
import { useRowsOfList } from './use-rows-of-list'

/** With more unsaved rows, what is asked of linked records is told on saving alone. */
const mostAsked = 300

/** The records found: those of the list that one came from, or of the table, in the order they have there. */
function useFound(table: Table) {
  const { id, book, base } = useRecords()
  const query = useSearchParams()
  const [typed, setTyped] = useState(query.get('find') ?? '')
  const [filter, setFilter] = useState<Filter>([])
  const [sort] = useOrder(id, table)
  const [link, ref] = [query.get('link'), query.get('ref')]
  const linked = link && ref && findField(book, link) ? { field: link, ref } : undefined
  const where = conditionsSource(book, table, filter)
  const trail = useTrail(base, table.id)
  const wish = { table: table.id, find: useSettled(typed), sort, linked, where }
  const own = useRows(base, wish, !trail)
  const ofOwn = useMemo(() => own.data?.pages.flatMap((page) => page.rows) ?? [], [own.data])
  const ofList = useRowsOfList(base, trail)
  const rows = trail ? ofList.query : own
  const found = trail ? ofList.found : ofOwn
  return {
    ...{ found, typed, setTyped, filter, setFilter, trail },
    status: sayFound({
      found: found.length,
      of: trail ? undefined : own.data?.pages[0]?.count,
      more: rows.hasNextPage,
      isNarrowed: Boolean(trail || typed || where || linked),
      state: rows.isError ? 'failed' : rows.isPending ? 'reading' : 'there',
    }),
    onEnd: () => rows.hasNextPage && !rows.isFetchingNextPage && void rows.fetchNextPage(),
  }
}

interface Finding {
  readonly found: number
  /** Among so many, where that is known. */
  readonly of: number | undefined
  readonly more: boolean
  readonly isNarrowed: boolean
  readonly state: 'reading' | 'failed' | 'there'
}

/** How many records there are, and how many of them were found. */
function sayFound({ found, of, more, isNarrowed, state }: Finding): string {
  if (state === 'failed') return 'The records could not be read. Load the page again.'
  if (state === 'reading') return 'Reading …'
  if (!isNarrowed) return counted(of ?? found, 'record')
  return `${found.toLocaleString('en-GB')}${more ? ' or more' : ''} found${of === undefined ? '' : ` among ${of.toLocaleString('en-GB')}`}`
}

/** What stands in the grid of a table: what is stored, what was typed, and what is wrong with it. */
export function useGridData(table: Table) {
  const { id, book } = useRecords()
  const tableId = table.id
  const finding = useFound(table)
  const { found } = finding
  const [chosen, setColumns] = useColumns(table, 'grid')
  const columns = useMemo(() => chosen.map((one) => fieldOf(table, one)), [chosen, table])
  const lacking = formLayout(book, tableId).insets.find((inset) => inset.link.least === 1)
  const grid = useGrid(book, tableId)
  const hasDraft = useRestored(`hearth-grid-${id}-${tableId}`, grid)

  const [now] = useState(officeNow)
  const freshCount = grid.now.fresh.length
  const blankId = useMemo(() => {
    void freshCount
    return lacking ? undefined : freshId()
  }, [freshCount, lacking])
  const lines = useMemo(
    () => gridLines({ book, tableId, now }, grid.now, found, blankId),
    [book, tableId, now, grid.now, found, blankId],
  )
  const current = useMemo(() => lines.unsaved.map(({ row }) => row), [lines])
  const checks = useChecks(useAround(table, now, current), current)
  const names = useMemo(() => openNames(book, tableId, current), [book, tableId, current])
  return {
    ...{ finding, chosen, setColumns, columns, lacking, grid, hasDraft, lines, checks, names },
    mayAdd: blankId !== undefined,
    /** So many rows aren't checked yet. */
    open: current.length - checks.done,
  }
}

export type GridData = ReturnType<typeof useGridData>

/** What was typed before and not saved comes once the page is this browser's own, and is kept from then on. */
function useRestored(place: string, grid: ReturnType<typeof useGrid>): boolean {
  const [kept] = useState(() => takeGridDraft(place))
  const [restored, setRestored] = useState(false)
  const { put } = grid
  useEffect(() => {
    put(unsaved(kept), 'along')
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setRestored(true)
  }, [kept, put])
  return useGridDraft(place, restored ? grid.now : kept)
}

/** What rows are checked with: facts of the records that they link to come as they are wanted. */
function useAround(table: Table, now: ReturnType<typeof officeNow>, rows: readonly GridRow[]) {
  const { book } = useRecords()
  const { linked, arrived, ask } = useLinkedValues({})
  const asks = useRef(ask)
  useEffect(() => {
    asks.current = ask
  })
  useEffect(() => {
    if (rows.length > 0 && rows.length <= mostAsked) asks.current(wantedFacts(table, rows))
  }, [table, rows])
  return useMemo(
    () => ({ book, tableId: table.id, now, linked }),
    // Facts are other facts once more have arrived.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [book, table.id, now, arrived],
  )
}

/** What is asked of the records that rows link to: `FIELD~REFERENCE`. */
function wantedFacts(table: Table, rows: readonly GridRow[]): ReadonlySet<string> {
  const links = table.fields.filter(({ kind }) => kind === 'link')
  return new Set(
    rows.flatMap(({ text }) =>
      links.flatMap(({ id }) => {
        const ref = text[id] ?? ''
        return ref && unmatchedWords(ref) === undefined ? [`${id}~${ref}`] : []
      }),
    ),
  )
}
