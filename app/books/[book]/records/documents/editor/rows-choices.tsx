'use client'

import { useState } from 'react'
import { type Figure, limits, type RowsBlock, tableOf } from '@/core/book'
import { conditionsOf, figuresFor, readList, sayCondition, sayFigure } from '@/core/lists'
import { rowsList } from '@/core/reports'
import { inSentence, plural } from '@/core/words'
import { ChoiceBox, Labelled, TextBox, WordButton } from '@/ui/kit'
import { ConditionDialog } from '../../lists/conditions/condition-dialog'
import { OrderDialog } from '../../lists/order-dialog'
import { useRecords } from '../../records-context'
import { useDocument } from './example'
import type { Selected } from './selected'

interface Props {
  readonly part: NonNullable<Selected['part']>
  readonly onChange: (rows: RowsBlock) => void
}

/** The rows of a block as a list of their own table, without what says whose they are. */
export function useRowsList(block: RowsBlock) {
  const { book } = useRecords()
  const { table } = useDocument()
  const list = rowsList(book, table, block)
  return list && { ...list, columns: block.columns }
}

/** Which rows, in which order, what they come to, and what is said around them. */
export function RowsChoices({ part, onChange }: Props) {
  const { book } = useRecords()
  const [asking, setAsking] = useState<'order' | { readonly at: number | undefined }>()
  const block = part.attrs.parts as RowsBlock
  const list = useRowsList(block)
  if (!list) return null
  const table = tableOf(book, list.table)
  const found = readList(book, list, { given: {}, now: { moment: '2000-01-01T00:00' }, lists: book.lists })
  const columns = 'read' in found ? found.read.columns : []
  const put = (key: 'heading' | 'none', value: string) => {
    const { [key]: _old, ...rest } = block
    onChange(value ? { ...rest, [key]: value } : rest)
  }
  const setFigure = (column: string, figure: Figure | undefined) => {
    const { figures = [], ...rest } = block
    const others = figures.filter((one) => one.column !== column)
    const next = figure ? [...others, figure] : others
    onChange(next.length > 0 ? { ...rest, figures: next } : rest)
  }
  return (
    <>
      <p className="text-[13px] text-ash-6">Tick at the left which fields of them stand here.</p>
      <Labelled label="Heading (optional)" htmlFor="rows-heading">
        <TextBox
          id="rows-heading"
          value={block.heading ?? ''}
          maxLength={limits.nameLength}
          onChange={(event) => put('heading', event.target.value)}
        />
      </Labelled>
      <Labelled label="Where there are none, say (optional)" htmlFor="rows-none">
        <TextBox
          id="rows-none"
          value={block.none ?? ''}
          maxLength={limits.nameLength}
          placeholder="nothing at all stands there"
          onChange={(event) => put('none', event.target.value)}
        />
      </Labelled>
      {columns.map((column) => {
        const choices = figuresFor({ book }, table, column)
        // Of words there is little to tell beneath them.
        if (!choices.some(({ name }) => name !== 'different')) return null
        const now = block.figures?.find((one) => one.column === column.id)
        return (
          <Labelled key={column.id} label={`Beneath ${column.heading}`} htmlFor={`rows-figure-${column.id}`}>
            <ChoiceBox
              id={`rows-figure-${column.id}`}
              value={choices.findIndex((one) => one.name === now?.name && now !== undefined)}
              onChange={(event) => setFigure(column.id, choices[Number(event.target.value)])}
            >
              <option value={-1}>nothing</option>
              {choices.map((one, at) => (
                <option key={at} value={at}>
                  {sayFigure(column, one.name)}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        )
      })}
      <ul className="text-[13px]">
        {conditionsOf(list).map((condition, at) => (
          <li key={at}>
            <WordButton onClick={() => setAsking({ at })}>
              Only those {sayCondition(book, list.table, condition, { asks: [] })}
            </WordButton>
          </li>
        ))}
        <li>
          <WordButton onClick={() => setAsking({ at: undefined })}>
            Only some of the {plural(inSentence(table.name))}
          </WordButton>
        </li>
        <li>
          <WordButton onClick={() => setAsking('order')}>
            {block.order.length > 0 ? 'Change their order' : 'Put them in order'}
          </WordButton>
        </li>
      </ul>
      {asking === 'order' && (
        <OrderDialog
          columns={columns}
          order={block.order}
          first={undefined}
          isGrouped={false}
          onClose={() => setAsking(undefined)}
          onKeep={(order) => {
            setAsking(undefined)
            onChange({ ...block, order })
          }}
        />
      )}
      {typeof asking === 'object' && (
        <ConditionDialog
          list={list}
          given={{}}
          at={asking.at}
          onClose={() => setAsking(undefined)}
          onKeep={({ where }) => {
            setAsking(undefined)
            const { where: _where, ...rest } = block
            onChange(where ? { ...rest, where } : rest)
          }}
        />
      )}
    </>
  )
}
