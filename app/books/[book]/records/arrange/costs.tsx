'use client'

import type { Form } from '@/core/book'
import { columnsCost, conditionFaults, leftOut, partNameOf, partsInOrder } from '@/core/forms'
import { formLayout } from '@/core/records'
import { wordProblem } from '@/core/words'
import { Note } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly form: Pick<Form, 'table' | 'lines' | 'starts'>
  /** What keeps nobody from saving is said too. */
  readonly all?: boolean
}

/** What a form leaves out that costs something, and what is wrong with its conditions. */
export function Costs({ form: { table, lines, starts }, all = false }: Props) {
  const { book } = useRecords()
  const { insets } = formLayout(book, table)
  return (
    <>
      {leftOut(book, table, lines, starts)
        .filter(({ stops }) => stops || all)
        .map(({ id, name, cost, stops }) => (
          <Note key={id} mark={stops ? 'settle' : 'info'} head={`${name} is left out`}>
            {cost}
          </Note>
        ))}
      {conditionFaults(book, { table, lines, starts }).map(({ part, asks, problem }) => (
        <Note key={`${part.id} ${asks}`} mark="settle" head={partNameOf(book, table, part)}>
          {wordProblem(problem)}
        </Note>
      ))}
      {partsInOrder(lines).map((part) => {
        const inset = part.kind === 'rows' ? insets.find(({ link }) => link.id === part.id) : undefined
        const cost = inset && part.kind === 'rows' ? columnsCost(inset, part) : undefined
        return (
          cost && (
            <Note key={part.id} mark="settle" head="A column is left out">
              {cost}
            </Note>
          )
        )
      })}
    </>
  )
}
