'use client'

import dynamic from 'next/dynamic'
import { useEffect, useRef, useState } from 'react'
import { tableOf } from '@/core/book'
import { unsaved, withNames } from '@/core/grid'
import { inSentence } from '@/core/words'
import { Room } from '@/ui/shell/room'
import { useKept } from '@/ui/use-kept'
import { useKeys } from '@/ui/use-keys'
import { useLeaving } from '@/ui/use-leaving'
import { useRecords } from '../../records-context'
import { FilterChips } from '../list-filter'
import { GridBody } from './grid-body'
import { GridFoot } from './grid-foot'
import { GridHead } from './grid-head'
import type { GridLine } from './grid-lines'
import { nextWrong, type Place } from './place'
import { problemsOf, useGridActs } from './use-grid-acts'
import { useCursor } from './use-cursor'
import { useGridData } from './use-grid-data'
import { type Keep, useGridSaving } from './use-grid-saving'

const SettleNames = dynamic(() => import('./settle-names').then((room) => room.SettleNames))
const WarningDialog = dynamic(() => import('../../form/warning-dialog').then((room) => room.WarningDialog))

const beforeAll: Place = { at: 0, column: -1 }

/** The records of a table as cells that one types into, and new ones by the hundred. */
export function GridSheet({ tableId }: { readonly tableId: string }) {
  const { book } = useRecords()
  const table = tableOf(book, tableId)
  const data = useGridData(table)
  const { finding, columns, grid, lines, checks, names, open, lacking } = data
  const cursor = useCursor(lines, columns)
  const [naming, setNaming] = useState(false)
  const [kept, setKept] = useKept('hearth-grid-keep')
  const keep: Keep = kept === 'all' ? 'all' : 'right'

  const wrongs = useRef<(from: Place) => void>(() => undefined)
  const wrongIn = (line: GridLine) => problemsOf(line, checks, saving.said)
  const isWrong = (line: GridLine) => Object.keys(wrongIn(line)).length > 0
  const saving = useGridSaving({
    ...{ table, lines: lines.unsaved, checks, keep },
    isWrong: (line) => isWrong(line),
    onSaved: (ids) => ids.size > 0 && grid.settle(ids),
    onDone: cursor.toFirst,
    // Once the rows that are saved have gone.
    onWrong: () => setTimeout(() => wrongs.current(beforeAll)),
  })
  const goToWrong = (from = cursor.here) => {
    const next = nextWrong(from, lines.count, (at) => {
      const line = lines.at(at)
      const wrong = line?.isChanged ? Object.keys(wrongIn(line)) : []
      const shown = columns.flatMap(({ id }, column) => (wrong.includes(id) ? [column] : []))
      // What is said of the row as a whole, or of what isn't shown, stands at its beginning.
      return shown.length < wrong.length ? [0, ...shown] : shown
    })
    if (next) cursor.go(next)
  }
  useEffect(() => {
    wrongs.current = goToWrong
  })
  const { acts, putCell, noteSettling, settling } = useGridActs(table, data, cursor, () => goToWrong())
  const saveSoon = useSavingSoon(settling === 0 && open === 0, () => void saving.save(), acts.go)
  useKeys({ 'Ctrl S': () => saveSoon(cursor.here) })
  useLeaving(lines.unsaved.length > 0)
  const noun = inSentence(table.name)
  return (
    <Room bare>
      <div className="flex h-full flex-col">
        <GridHead table={table} finding={finding} columns={data.chosen} onColumns={data.setColumns} />
        <FilterChips book={book} table={table} filter={finding.filter} onChange={finding.setFilter} />
        {lacking && (
          <p className="px-6 pb-3 text-ash-6 max-md:px-3">
            A new {noun} needs at least one {inSentence(lacking.table.name)}, which a grid can’t take: enter new ones in
            the form.
          </p>
        )}
        <GridBody
          {...{ table, columns, lines, checks, cursor, acts }}
          isBusy={saving.done !== undefined}
          said={saving.said}
          onPut={putCell}
          onSettling={noteSettling}
          onTakeOut={(line) => grid.drop(new Set([line.row.id]))}
          onEnd={finding.onEnd}
        />
        <GridFoot
          {...{ table, grid, saving, keep, open }}
          unsaved={lines.unsaved}
          wrong={lines.unsaved.filter(isWrong).length}
          hasDraft={data.hasDraft}
          isLooking={settling > 0}
          names={names.length}
          onKeep={setKept}
          onWrong={() => goToWrong()}
          onNames={() => setNaming(true)}
          onSave={() => saveSoon(cursor.here)}
        />
        {naming && (
          <SettleNames
            {...{ table, names }}
            onClose={() => {
              setNaming(false)
              // What opened it may be gone by now.
              setTimeout(() => cursor.body.current?.focus())
            }}
            onSettle={(field, words, cell) =>
              grid.put((now) =>
                withNames(book, tableId, unsaved(now), (at, said) =>
                  at === field.id && said === words ? cell : undefined,
                ),
              )
            }
          />
        )}
        {saving.warnings && (
          <WarningDialog warnings={saving.warnings} onClose={saving.stopAsking} onSave={saving.agree} />
        )}
      </div>
    </Room>
  )
}

/** Saves once the cell that one types in is left, what is looked for has arrived, and everything is checked. */
function useSavingSoon<Place>(ready: boolean, save: () => void, go: (to: Place) => void) {
  const [wants, setWants] = useState(false)
  const saves = useRef(save)
  useEffect(() => {
    saves.current = save
  })
  const isTime = wants && ready
  useEffect(() => {
    if (!isTime) return
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setWants(false)
    saves.current()
  }, [isTime])
  return (here: Place) => {
    go(here)
    // What is typed in a cell is taken a moment after the cell is left.
    setTimeout(() => setWants(true), 20)
  }
}
