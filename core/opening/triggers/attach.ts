import { quoteName } from '../../names'
import type { LiveAttached } from '../../physical'
import type { OpeningStep } from '../steps'

const dropSql = ({ kind, name }: LiveAttached) => `DROP ${kind} IF EXISTS ${quoteName(name)}`

/** Puts a view or a trigger on its table. */
export const attach = (one: LiveAttached): OpeningStep => ({ say: one.say, sql: one.sql, undo: dropSql(one) })

/** Takes one off, so that nothing stands on a table that changes. */
export const detach = (one: LiveAttached): OpeningStep => ({
  say: 'Pause calculated fields while the tables change',
  sql: dropSql(one),
  undo: one.sql,
})
