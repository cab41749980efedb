import type { Edit, Field, Table } from '@/core/book'

/** What the settings of a derived field take: the field, and what a change of it does. */
export interface SourceProps {
  readonly table: Table
  readonly field: Field
  readonly onChange: (to: Extract<Edit, { kind: 'changeField' }>['to']) => boolean
}
