import { fieldOf, type Table } from '../book'
import type { Sort } from './paging'

/**
 * How a list stands until somebody sorts it: the newest first, where a running number or else a moment or day says
 * which that is.
 */
export function usualSort(table: Table): Sort | undefined {
  const [key, ...more] = table.key
  if (key && more.length === 0 && fieldOf(table, key).kind === 'running') return { field: key, down: true }
  const moment =
    table.fields.find((field) => field.kind === 'dateTime') ?? table.fields.find((field) => field.kind === 'date')
  return moment && { field: moment.id, down: true }
}
