import type { ReactNode } from 'react'
import type { Table } from '@/core/book'
import type { ConditionDraft } from '@/core/lists'

/** How deep conditions are put into each other here. */
export const deepest = 3

export interface ConditionProps {
  readonly id: string
  readonly label: string
  /** What stands where nothing is chosen. */
  readonly none: string
  /** The list that it is a condition of. */
  readonly list: string
  /** The table of whose records it is asked. */
  readonly table: Table
  readonly draft: ConditionDraft | undefined
  readonly depth: number
  readonly onChange: (draft: ConditionDraft | undefined) => void
}

/** Draws a condition that stands in another; given down, as each may have others in it. */
export type Inner = (props: ConditionProps) => ReactNode
