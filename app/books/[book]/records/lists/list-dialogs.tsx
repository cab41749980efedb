'use client'

import { useRouter } from 'next/navigation'
import { answered } from '@/app/answered'
import type { List } from '@/core/book'
import { nameOf, type ReadColumn } from '@/core/lists'
import { reportName } from '@/core/reports'
import { listed } from '@/core/words'
import { DropDialog } from '../drop-dialog'
import { useRecords } from '../records-context'
import { drop } from './actions'
import { CalculateDialog } from './calculate/calculate-dialog'
import { ConditionDialog } from './conditions/condition-dialog'
import { GroupsDialog } from './groups-dialog'
import { KeepDialog } from './keep-dialog'
import { MissingDialog } from './missing-dialog'
import { OrderDialog } from './order-dialog'

/** What is being asked about a list; a condition by its place, none for a new one. */
export type Asking =
  | { readonly kind: 'condition'; readonly at: number | undefined }
  /** A calculated column by its id, none for a new one. */
  | { readonly kind: 'calculate'; readonly column: string | undefined }
  | { readonly kind: 'order' | 'groups' | 'keep' | 'drop' | 'missing' }

interface Props {
  readonly asking: Asking | undefined
  readonly list: List
  readonly before: List | undefined
  readonly columns: readonly ReadColumn[]
  readonly given: Readonly<Record<string, string>>
  readonly onChange: (to: Partial<List>) => void
  readonly onKept: (list: List) => void
  readonly onClose: () => void
}

/** The dialog for what is being asked about a list. */
export function ListDialogs({ asking, list, before, columns, given, onChange, onKept, onClose }: Props) {
  const { base } = useRecords()
  const router = useRouter()
  const keepConditions = (asked: Pick<List, 'where' | 'asks'>) => {
    onChange(asked)
    onClose()
  }
  switch (asking?.kind) {
    case undefined:
      return null
    case 'condition':
      return <ConditionDialog list={list} given={given} at={asking.at} onClose={onClose} onKeep={keepConditions} />
    case 'calculate':
      return (
        <CalculateDialog
          list={list}
          columns={columns}
          column={list.columns.find(({ id }) => id === asking.column)}
          onClose={onClose}
          onKeep={(column) => {
            const there = list.columns.some(({ id }) => id === column.id)
            onChange({
              columns: there
                ? list.columns.map((one) => (one.id === column.id ? column : one))
                : [...list.columns, column],
            })
            onClose()
          }}
        />
      )
    case 'order':
      return (
        <OrderDialog
          columns={columns}
          order={list.order}
          first={list.first}
          isGrouped={list.groups !== undefined}
          onClose={onClose}
          onKeep={(order, first) => {
            onChange({ order, first })
            onClose()
          }}
        />
      )
    case 'groups':
      return (
        <GroupsDialog
          list={list}
          columns={columns}
          onClose={onClose}
          onKeep={(to) => {
            onChange(to)
            onClose()
          }}
        />
      )
    case 'missing':
      return <MissingDialog list={list} given={given} onClose={onClose} />
    case 'keep':
      return (
        <KeepDialog
          list={list}
          before={before}
          onClose={onClose}
          onKept={(kept) => {
            onKept(kept)
            // What it no longer has goes too.
            onChange({
              name: undefined,
              describe: undefined,
              folder: undefined,
              pinned: undefined,
              ready: undefined,
              owner: undefined,
              groups: undefined,
              figures: undefined,
              shown: undefined,
              first: undefined,
              ...kept,
            })
            onClose()
            router.replace(`${base}/lists/${kept.id}`)
            router.refresh()
          }}
        />
      )
    case 'drop':
      return before ? <DropList list={before} onClose={onClose} /> : null
  }
}

function DropList({ list, onClose }: { readonly list: List; readonly onClose: () => void }) {
  const { book, id, base } = useRecords()
  const asking = book.lists.filter(({ where }) =>
    JSON.stringify(where ?? null).includes(`{"kind":"in","list":"${list.id}"}`),
  )
  const reports = book.reports
    .filter((report) => report.list === list.id)
    .map((report) => reportName(book, report, list))
  return (
    <DropDialog
      title={`Remove the list ${nameOf(book, list)}?`}
      say="No record goes with it."
      onClose={onClose}
      onDrop={() => answered(drop(id, { list: list.id }))}
      back={`${base}/lists`}
    >
      {asking.length > 0 && (
        <p className="mt-2">
          {listed(asking.map((one) => nameOf(book, one)))} {asking.length === 1 ? 'asks' : 'ask'} for what is in it, and
          can’t be run without it.
        </p>
      )}
      {reports.length > 0 && (
        <p className="mt-2">
          With it {reports.length === 1 ? 'goes the report' : 'go the reports'} {listed(reports)}.
        </p>
      )}
    </DropDialog>
  )
}
