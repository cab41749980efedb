import { type Book, findField, fieldWith } from '../../book'
import { runningSql } from '../../kinds'
import { quoteName } from '../../names'
import type { LiveColumn } from '../../physical'
import { isStaying, quotedList, type TablePair, isSameColumn } from './pairs'
import type { OpeningStep } from '../steps'

/** A column that holds running numbers of its own, rather than those of a table it leads to. */
const numbers = (book: Book, column: LiveColumn) =>
  column.id === column.field && findField(book, column.field)?.field.kind === 'running'

/** New running numbers in a table that stays; its records get theirs in the order of their key. */
export const newNumbers = (after: Book, pair: TablePair): readonly LiveColumn[] =>
  isStaying(pair)
    ? pair.is.columns.filter(
        (column) => numbers(after, column) && !pair.was.columns.some((old) => isSameColumn(old, column)),
      )
    : []

export const numberRows = (after: Book, pair: TablePair): OpeningStep[] =>
  newNumbers(after, pair).map((column) => {
    const { then } = pair as Required<TablePair>
    const key = quotedList(then.primaryKey)
    const tie = then.primaryKey.map((name) => `own.${quoteName(name)} = those.${quoteName(name)}`).join(' AND ')
    return {
      say: `Number the records of ${then.title}: ${column.title}`,
      sql: `UPDATE ${quoteName(then.name)} AS own JOIN (SELECT ${key}, ROW_NUMBER() OVER (ORDER BY ${key}) AS ranked FROM ${quoteName(then.name)}) AS those ON ${tie} SET own.${quoteName(column.name)} = ${numberSql(after, column.field, 'those.ranked')}, own.\`changed_at\` = own.\`changed_at\``,
    }
  })

/** The so-many-th number of a running field, in SQL. */
export const numberSql = (book: Book, field: string, count: string) => runningSql(fieldWith(book, field).field, count)
