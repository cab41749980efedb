'use client'

import { useQueryClient } from '@tanstack/react-query'
import { useRouter, useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState, useTransition } from 'react'
import { toast } from 'sonner'
import { fieldOf, findField, tableOf } from '@/core/book'
import type { RecordList } from '@/core/lists'
import { copyText, type ListRow } from '@/core/records'
import { aOrAn, inSentence } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import type { Mail } from '@/server/post'
import type { Paper } from '@/server/reports'
import { officeNow } from '@/app/office-now'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useRecords } from '../records-context'
import { owesSave, saveOnceThere } from '../form/own-page'
import { useForms } from '../form/use-form'
import { type FormState, RecordForm, type RecordFormHandle } from '../form/record-form'
import { ListRail } from '../lists/list-rail'
import { useTrail } from '../lists/trail'
import { RecordHead } from './record-head'
import { RecordMargin } from './record-margin'
import { RecordRail } from './record-rail'
import { RemoveRecord } from './remove-record'

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  /** The record whose values a new one begins with. */
  readonly copied?: LiveRecord
  /** Lists that can be asked of this record. */
  readonly lists?: readonly RecordList[]
  /** What was handed out for it. */
  readonly papers?: readonly Paper[]
  readonly mails?: readonly Mail[]
}

/** The neighbours of a record: those it has in the list that it was opened from, or in its table. */
function Neighbours({ tableId, row }: { readonly tableId: string; readonly row: ListRow | undefined }) {
  const { base } = useRecords()
  const trail = useTrail(base, tableId)
  return trail ? (
    <ListRail tableId={tableId} current={row?.ref} trail={trail} />
  ) : (
    <RecordRail tableId={tableId} row={row} />
  )
}

/** One record, or a new one: the rail of its neighbours, its form, and what else there is to know. */
export function RecordPage({ tableId, stored: first, copied, lists, papers, mails }: Props) {
  const { book, base, mayChange } = useRecords()
  const router = useRouter()
  const query = useSearchParams()
  const queries = useQueryClient()
  const table = tableOf(book, tableId)
  const noun = inSentence(table.name)
  const [stored, setStored] = useState(first)
  const [state, setState] = useState<FormState>({ changed: false, busy: false, wrongs: [] })
  // While the new record's own page is on its way, what is typed is kept for it, and saved there.
  const [moving, startMoving] = useTransition()
  const [removing, setRemoving] = useState(false)
  const handle = useRef<RecordFormHandle>(null)
  const { form } = useForms(tableId)
  const list = `${base}/${tableId}`
  const [link, ref, label] = [query.get('link'), query.get('ref'), query.get('label')]
  const begin = useMemo(() => {
    if (copied) return copyText(book, tableId, copied, officeNow())
    return link && ref && findField(book, link)
      ? { text: { [link]: ref }, labels: { [link]: label ?? ref }, insets: {} }
      : undefined
  }, [book, tableId, copied, link, ref, label])
  // The form's own beginning must stay the same object, or it would start afresh at every drawing.
  const onState = useCallback((next: FormState) => setState(next), [])

  // A number of its own says which record it is; a key of several parts is nothing that people read.
  const keyIsRunning = table.key.length === 1 && fieldOf(table, table.key[0]!).kind === 'running'
  const nameOf = ({ row }: LiveRecord) => (keyIsRunning ? row.ref : row.label || row.ref)

  const onSaved = (record: LiveRecord) => {
    toast(stored ? 'Saved.' : `Saved as ${nameOf(record)}.`)
    void queries.invalidateQueries({ queryKey: ['rows', tableId] })
    setStored(record)
    // A new record, or one whose key was changed, has a page of its own.
    if (record.row.ref !== stored?.row.ref)
      startMoving(() => router.replace(`${list}/record/${encodeURIComponent(record.row.ref)}`))
  }

  const own = first?.row.ref
  useEffect(() => {
    if (owesSave(own)) void handle.current?.save()
  }, [own])
  useKeys({
    'Ctrl S': () => {
      // A dialog on top saves its own form.
      if (document.querySelector('[role="dialog"]')) return
      if (moving) saveOnceThere()
      else void handle.current?.save()
    },
    'Alt N': mayChange ? () => router.push(`${list}/new`) : undefined,
  })

  return (
    <Room
      indexLabel={`Find ${aOrAn(noun)}`}
      index={<Neighbours tableId={tableId} row={stored?.row} />}
      marginLabel="About this record"
      margin={
        <RecordMargin
          tableId={tableId}
          stored={stored}
          wrongs={state.wrongs}
          lists={lists}
          papers={papers}
          mails={mails}
        />
      }
    >
      <RecordHead
        tableId={tableId}
        stored={stored}
        nameOf={nameOf}
        state={state}
        moving={moving}
        onRemove={() => setRemoving(true)}
        onSave={() => void handle.current?.save()}
      />
      <RecordForm
        tableId={tableId}
        stored={stored}
        arranged={form}
        begin={stored ? undefined : begin}
        handle={handle}
        onSaved={onSaved}
        onState={onState}
      />
      {stored && (
        <RemoveRecord
          tableId={tableId}
          row={stored.row}
          open={removing}
          onClose={() => setRemoving(false)}
          onRemoved={() => {
            queries.removeQueries({ queryKey: ['rows', tableId] })
            router.push(list)
          }}
        />
      )}
    </Room>
  )
}
