'use client'

import { useState } from 'react'
import type { Order } from '@/core/book'
import { mayBeNatural, type ReadColumn, sayDirection } from '@/core/lists'
import { Button, ChoiceBox, Dialog, IconButton } from '@/ui/kit'
import { X } from 'lucide-react'
import { useRecords } from '../records-context'
import { FirstBox, readFirst } from './first-box'

interface Props {
  readonly columns: readonly ReadColumn[]
  readonly order: readonly Order[]
  readonly onClose: () => void
  readonly first: number | undefined
  /** Of each group, or of all. */
  readonly isGrouped: boolean
  readonly onKeep: (order: readonly Order[], first: number | undefined) => void
}

const mostOrders = 4

const ways = {
  up: {},
  down: { down: true },
  counted: { natural: true },
  countedDown: { natural: true, down: true },
} as const

const wayOf = ({ down, natural }: Order): keyof typeof ways =>
  natural ? (down ? 'countedDown' : 'counted') : down ? 'down' : 'up'

/** By which columns rows are put in order, the first before the next. */
export function OrderDialog({ columns, order, first, isGrouped, onClose, onKeep }: Props) {
  const { book } = useRecords()
  const single = columns.filter(({ kind }) => kind !== 'several' && kind !== 'along')
  const [wished, setWished] = useState(order.filter(({ column }) => single.some(({ id }) => id === column)))
  const [typed, setTyped] = useState(first === undefined ? '' : String(first))
  const most = readFirst(typed)
  const set = (at: number, to: Order) => setWished(wished.map((one, place) => (place === at ? to : one)))
  const free = single.find(({ id }) => !wished.some(({ column }) => column === id))
  return (
    <Dialog
      open
      onClose={onClose}
      title="In which order"
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={most === 'wrong'} onClick={() => most !== 'wrong' && onKeep(wished, most)}>
            Put in order
          </Button>
        </>
      }
    >
      <ol className="mt-2 flex flex-col gap-2">
        {wished.map((one, at) => {
          const column = single.find(({ id }) => id === one.column)!
          return (
            <li key={at} className="flex flex-wrap items-center gap-2">
              <span className="w-10 text-[13px] text-ash-6">{at === 0 ? 'First' : 'Then'}</span>
              <ChoiceBox
                aria-label={at === 0 ? 'First by' : `Then by, ${at + 1}`}
                value={one.column}
                onChange={(event) => set(at, { column: event.target.value })}
                className="!w-[160px]"
              >
                {single.map(({ id, heading }) => (
                  <option key={id} value={id}>
                    {heading}
                  </option>
                ))}
              </ChoiceBox>
              <ChoiceBox
                aria-label={`Which way, ${at + 1}`}
                value={wayOf(one)}
                onChange={(event) => set(at, { column: one.column, ...ways[event.target.value as keyof typeof ways] })}
                className="!w-[170px]"
              >
                <option value="up">{sayDirection(column, false)}</option>
                <option value="down">{sayDirection(column, true)}</option>
                {mayBeNatural(column.face, book.look) && (
                  <>
                    <option value="counted">{sayDirection(column, false, true)}</option>
                    <option value="countedDown">{sayDirection(column, true, true)}</option>
                  </>
                )}
              </ChoiceBox>
              <ChoiceBox
                aria-label={`Where blanks stand, ${at + 1}`}
                value={one.blanks ?? ''}
                onChange={(event) => {
                  const { blanks: _blanks, ...rest } = one
                  const { value } = event.target
                  set(at, value === 'first' || value === 'last' ? { ...rest, blanks: value } : rest)
                }}
                className="!w-[130px]"
              >
                <option value="">{one.down ? 'blanks last' : 'blanks first'}</option>
                <option value={one.down ? 'first' : 'last'}>{one.down ? 'blanks first' : 'blanks last'}</option>
              </ChoiceBox>
              <IconButton
                label={`Not by ${column.heading}`}
                onClick={() => setWished(wished.filter((_, place) => place !== at))}
              >
                <X size={14} aria-hidden />
              </IconButton>
            </li>
          )
        })}
      </ol>
      {wished.length === 0 && <p className="mt-2 text-ash-6">In the order of their keys.</p>}
      {free && wished.length < mostOrders && (
        <Button small className="mt-3" onClick={() => setWished([...wished, { column: free.id }])}>
          {wished.length === 0 ? 'Choose a column' : 'And then by another'}
        </Button>
      )}
      <FirstBox
        id="order-first"
        label={isGrouped ? 'Only the first of each group' : 'Only the first of them'}
        typed={typed}
        onType={setTyped}
      />
    </Dialog>
  )
}
