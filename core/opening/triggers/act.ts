import type { Table } from '../../book'

type Event = 'INSERT' | 'UPDATE' | 'DELETE'

/** What the database does by itself before or after a row is written. */
export interface Act {
  readonly table: Table
  readonly timing: 'BEFORE' | 'AFTER'
  readonly event: Event
  readonly sql: string
}
