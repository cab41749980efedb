import type { Now } from '@/core/kinds'
import type { Catalogue } from '../catalogue'
import { type Database, type Params, type Row, run, select, selectRows, type Transaction } from '../database'
import type { Live } from './live'

/** Where records are read: an opened book, and the transaction that sees them where one is under way. */
export interface Reads {
  readonly db: Database
  readonly live: Live
  readonly transaction?: Transaction
}

/** Somebody who changes records of an opened book. */
export interface Writer {
  readonly db: Catalogue
  readonly live: Live
  readonly who: string
}

/** Changes of records that stand together or not at all: where, whose, and when. */
export interface Unit extends Writer {
  readonly transaction: Transaction
  readonly now: Now
}

/** Reads rows, within the transaction that is under way. */
export const selectIn = <T extends object = Row>({ db, transaction }: Reads, sql: string, params: Params = []) =>
  select<T>(db, sql, params, transaction)

/** The same as plain arrays, in the order of the selected columns. */
export const selectRowsIn = <T extends readonly unknown[]>(
  { db, transaction }: Reads,
  sql: string,
  params: Params = [],
) => selectRows<T>(db, sql, params, transaction)

/** Runs a statement that changes something; the number of rows it touched. */
export const runIn = ({ db, transaction }: Unit, sql: string, params: Params = []) => run(db, sql, params, transaction)
