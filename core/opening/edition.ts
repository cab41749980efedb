import type { LiveSchema } from '../physical'

/**
 * What this program makes of a design. It goes up whenever the same design comes to give other checks, triggers or
 * views, so that books that were opened before get them with their next opening.
 */
export const edition = 3

/** The schema as an earlier edition made it: its checks and what is attached are not what they would be now. */
export const asMadeBy = (made: number, schema: LiveSchema): LiveSchema =>
  made === edition
    ? schema
    : {
        tables: schema.tables.map((table) => ({
          ...table,
          checks: table.checks.map((check) => ({ ...check, sql: `(${check.sql})` })),
        })),
        attached: schema.attached.map((one) => ({ ...one, sql: `${one.sql} ` })),
      }
