import { quoteText } from '../../kinds'
import { quoteName } from '../../names'
import type { LiveTable } from '../../physical'
import type { OpeningStep } from '../steps'

/** Set on the connection that opens a book: what it writes is no record that somebody enters. */
export const openingMark = '@hearth_opening'

const events = ['INSERT', 'UPDATE', 'DELETE'] as const
type Event = (typeof events)[number]

const words = 'The database is being changed just now. Try again in a moment.'
const barrierName = (table: LiveTable, event: Event) =>
  quoteName(`${table.name.slice(0, 48)}_closed_${event}`.toLowerCase())
const barrierSql = (table: LiveTable, event: Event, calledNow = table.name) =>
  `CREATE OR REPLACE TRIGGER ${barrierName(table, event)} BEFORE ${event} ON ${quoteName(calledNow)} FOR EACH ROW BEGIN IF ${openingMark} IS NULL THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = ${quoteText(words)}; END IF; END`
const liftSql = (table: LiveTable, event: Event) => `DROP TRIGGER IF EXISTS ${barrierName(table, event)}`

/**
 * Keeps other tools from writing into tables while they change, when the triggers that ask their rules are off. It
 * speaks of no column, so it holds whatever becomes of the table. Saves of the application wait before they begin.
 */
export const keepOut = (tables: readonly LiveTable[], kept: readonly Event[] = events): OpeningStep[] =>
  tables.flatMap((table) =>
    kept.map((event) => ({
      say: 'Keep other tools out while the tables change',
      sql: barrierSql(table, event),
      undo: liftSql(table, event),
    })),
  )

/** Lets them in again, once everything that asks rules stands. `then` is the table as it is called by now. */
export const letIn = (tables: readonly { readonly was: LiveTable; readonly then: LiveTable }[]): OpeningStep[] =>
  tables.flatMap(({ was, then }) =>
    events.map((event) => ({
      say: 'Let other tools write again',
      sql: liftSql(was, event),
      undo: barrierSql(was, event, then.name),
    })),
  )

/** Where nobody writes any more, what was asked before the opening began is asked once more. */
export const askAgain = (asks: NonNullable<OpeningStep['asks']>): OpeningStep => ({
  say: 'Look at the records once more, now that nobody changes them',
  sql: 'DO 0',
  asks,
})
