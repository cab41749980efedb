'use client'

import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { officeNow } from '@/app/office-now'
import { type List, tableOf } from '@/core/book'
import { conditionsOf, jointOf, missableFields, type PieceOf, readList, type ReadList } from '@/core/lists'
import { wordProblem } from '@/core/words'
import type { ListUse } from '@/server/books'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useRecords } from '../records-context'
import { useDraft } from '../use-draft'
import { useSettled } from '../use-settled'
import { AskedBar } from './asked-bar'
import { FieldsInReach } from './fields-in-reach'
import { type Asking, ListDialogs } from './list-dialogs'
import { ListHead } from './list-head'
import { ListLines } from './list-lines'
import { Sentence } from './sentence'
import { useComingBack } from './trail'
import { useListCount, useListLines } from './use-list-lines'

interface Props {
  /** As it is kept; none where it isn't yet. */
  readonly kept: List | undefined
  readonly start: List
  /** What was answered last to what it asks. */
  readonly answered?: Readonly<Record<string, string>> | undefined
  readonly use?: ListUse | undefined
}

/** A list as a sentence, the fields it can show beside it, and its records below. */
export function ListSheet({ kept, start, answered, use }: Props) {
  const { book, base } = useRecords()
  const draft = useDraft(start)
  const { now: list, change } = draft
  const [before, setBefore] = useState(kept)
  const query = useSearchParams()
  const [given, setGiven] = useState(() => ({ ...answered, ...givenIn(query) }))
  const [asking, setAsking] = useState<Asking>()
  useComingBack(base, start, (trail) => {
    // It goes by the id that this page gave it.
    draft.put({ ...trail.list, id: start.id })
    setGiven(trail.given)
  })
  const table = tableOf(book, list.table)
  const found = readList(book, list, { given, now: officeNow(), lists: book.lists })
  const read = 'read' in found ? found.read : undefined
  const answers = useSettled(given, 300)
  const lines = useListLines(base, list, answers, read !== undefined)
  const count = useListCount(base, list, answers, read !== undefined)
  const undo = draft.mayUndo ? draft.undo : undefined
  const redo = draft.mayRedo ? draft.redo : undefined
  // In a box these keys take back what was typed there.
  useKeys({}, { 'Ctrl z': undo, 'Ctrl Z': undo, 'Ctrl y': redo, 'Ctrl Y': redo })
  const press = (of: PieceOf) => {
    if (of.kind === 'condition' || of.kind === 'order' || of.kind === 'groups') setAsking(of)
    if (of.kind === 'joint') change({ where: turned(list) })
    if (of.kind === 'shown') document.querySelector<HTMLElement>('[aria-label="What is told of each group"]')?.focus()
    if (of.kind === 'columns') document.querySelector<HTMLElement>('[aria-label="Find a field"]')?.focus()
  }
  return (
    <Room
      bare
      index={
        <FieldsInReach
          list={list}
          calculated={calculatedIn(list, read)}
          onChange={(columns) => change(withColumns(list, columns))}
          onCalculate={(column) => setAsking({ kind: 'calculate', column })}
        />
      }
      indexLabel="Fields in reach"
    >
      <div className="flex h-full flex-col">
        <header className="px-6 pt-4 max-md:px-3">
          <ListHead
            list={list}
            before={before}
            given={given}
            sound={read !== undefined}
            count={count.data}
            undo={undo}
            onAsk={setAsking}
          />
          <Sentence
            list={list}
            faults={found.faults}
            onPiece={press}
            onAdd={() => setAsking({ kind: 'condition', at: undefined })}
            onGroup={() => setAsking({ kind: 'groups' })}
            onMissing={read && missableFields(table).length > 0 ? () => setAsking({ kind: 'missing' }) : undefined}
          />
          <AskedBar list={list} given={given} onChange={setGiven} />
        </header>
        {found.faults.length > 0 && (
          <ul role="alert" className="mx-6 mt-3 rounded-md border border-ember bg-ember-tint px-4 py-2.5 max-md:mx-3">
            {found.faults.map(({ problem }, at) => (
              <li key={at}>{wordProblem(problem)}</li>
            ))}
          </ul>
        )}
        {read && (
          <ListLines
            table={table}
            list={list}
            read={read}
            given={answers}
            lines={lines}
            count={count}
            use={use}
            onOrder={(order) => change({ order })}
            onShown={(shown) => change({ shown })}
          />
        )}
      </div>
      <ListDialogs
        asking={asking}
        list={list}
        before={before}
        columns={read?.columns ?? []}
        given={given}
        onChange={change}
        onKept={setBefore}
        onClose={() => setAsking(undefined)}
      />
    </Room>
  )
}

/** The same conditions, of which any is enough where all had to hold, or the other way round. */
const turned = (list: List): List['where'] => ({
  kind: jointOf(list) === 'all' ? 'any' : 'all',
  of: conditionsOf(list),
})

/** What was answered already where it was come from: a list of a record, from the record's own page. */
function givenIn(query: URLSearchParams): Readonly<Record<string, string>> {
  const [ask, ref] = [query.get('ask'), query.get('ref')]
  return ask && ref ? { [ask]: ref } : {}
}

/** The columns that are calculated, by what stands above them. */
const calculatedIn = (list: List, read: ReadList | undefined) =>
  list.columns.flatMap(({ id, heading, shows }) =>
    shows.kind === 'calculated' || shows.kind === 'along'
      ? [{ id, heading: read?.columns.find((one) => one.id === id)?.heading ?? heading ?? 'Calculated' }]
      : [],
  )

/** Other columns; what was said of columns that are gone goes with them. */
function withColumns(list: List, wished: List['columns']): Partial<List> {
  const columns = wished.filter(({ shows }) => shows.kind !== 'along' || wished.some(({ id }) => id === shows.column))
  const isThere = ({ column }: { readonly column: string }) => columns.some(({ id }) => id === column)
  const figures = list.figures?.filter(isThere)
  return {
    columns,
    order: list.order.filter(isThere),
    figures: figures?.length ? figures : undefined,
    shown:
      list.shown && 'column' in list.shown.of && !isThere(list.shown.of)
        ? { ...list.shown, of: { size: true } }
        : list.shown,
    groups: list.groups?.map((group) => {
      const { by, down: _down, ...rest } = group
      return by && 'column' in by && !isThere(by) ? rest : group
    }),
  }
}
