import { fromExact, quotientScale, toExact } from '../../kinds'
import type { Dialect } from './dialect'
import { doubleQuoted, folded, singleQuoted } from './standard'

const numeric = ({ whole, scale }: { whole: number; scale: number }) => `NUMERIC(${whole + scale},${scale})`
/** A letter of nobody’s (private use), to put another aside with. */
const aside = '\uE000'
const whole = (sql: string) => `CAST(LEAST(GREATEST(${sql}, -2000000000), 2000000000) AS INTEGER)`

/** PostgreSQL 12 or newer; numbers are NUMERIC, so that they are as exact as in MariaDB. */
export const postgresql: Dialect = {
  title: 'PostgreSQL',
  quoteName: doubleQuoted,
  quoteText: singleQuoted,
  columnType(type) {
    switch (type.is) {
      case 'text':
        return `VARCHAR(${type.most})`
      case 'longText':
        return 'TEXT'
      case 'whole':
        return { 1: 'SMALLINT', 4: 'INTEGER', 8: 'BIGINT' }[type.bytes]
      case 'exact':
        return numeric(type)
      case 'measured':
        return 'DOUBLE PRECISION'
      case 'truth':
        return 'BOOLEAN'
      case 'date':
        return 'DATE'
      case 'time':
        return 'TIME'
      case 'moment':
        return 'TIMESTAMP'
      case 'fileHash':
        return 'CHAR(64)'
    }
  },
  literal(value, type) {
    switch (type.is) {
      case 'exact':
        return `CAST(${fromExact(toExact(value, type.scale), type.scale)} AS NUMERIC)`
      case 'measured':
        return `CAST(${value} AS DOUBLE PRECISION)`
      case 'truth':
        return value === '1' ? 'TRUE' : 'FALSE'
      case 'date':
        return `DATE ${singleQuoted(value)}`
      case 'time':
        return `TIME ${singleQuoted(value)}`
      case 'moment':
        return `TIMESTAMP ${singleQuoted(value.replace('T', ' '))}`
      default:
        return `CAST(${singleQuoted(value)} AS TEXT)`
    }
  },
  // Whole numbers would run over in sums and products, and be divided without decimals.
  column: (column, type) => (type.is === 'exact' && type.scale === 0 ? `CAST(${column} AS NUMERIC)` : column),
  compared: folded,
  joined: (a, b) => `(${a} || ${b})`,
  computed: (sql) => sql,
  quotient: (a, b, type) => `CAST(${a} * 1.${'0'.repeat(quotientScale)} / NULLIF(${b}, 0) AS ${numeric(type)})`,
  shift: (of, { count, unit, type }) =>
    `CAST(${of} + ${count} * INTERVAL '1 ${unit}' AS ${type.is === 'date' ? 'DATE' : 'TIMESTAMP'})`,
  days: (a, b) => `CAST(${a} - ${b} AS NUMERIC)`,
  like: (of, pattern, escape) => `(LOWER(${of}) LIKE LOWER(${pattern}) ESCAPE ${singleQuoted(escape.toLowerCase())})`,
  cast(of, from, to) {
    if (to.is === 'exact') return `CAST(${of} AS ${numeric(to)})`
    if (to.is === 'measured') return `CAST(${of} AS DOUBLE PRECISION)`
    if (to.is === 'date') return `CAST(${of} AS DATE)`
    if (to.is === 'moment') return `CAST(${of} AS TIMESTAMP)`
    if (from.is === 'date') return `TO_CHAR(${of}, 'YYYY-MM-DD')`
    if (from.is === 'time') return `TO_CHAR(${of}, 'HH24:MI')`
    if (from.is === 'moment') return `TO_CHAR(${of}, 'YYYY-MM-DD HH24:MI')`
    return `CAST(${from.is === 'exact' ? `CAST(${of} AS ${numeric(from)})` : of} AS TEXT)`
  },
  today: 'CURRENT_DATE',
  now: `DATE_TRUNC('minute', LOCALTIMESTAMP)`,
  functions: {
    // What the capital of ß is differs from one set-up to the next; here it has none.
    UPPER: ([a]) => `REPLACE(UPPER(REPLACE(${a}, 'ß', '${aside}')), '${aside}', 'ß')`,
    TRIM: ([a]) => `BTRIM(${a}, ' ')`,
    CHAR_LENGTH: ([a]) => `CAST(CHAR_LENGTH(${a}) AS NUMERIC)`,
    POSITION: ([a, b]) => `CAST(POSITION(${a} IN ${b}) AS NUMERIC)`,
    SUBSTRING([a, from, many]) {
      const start = `GREATEST(${from}, 1)`
      return many === undefined
        ? `SUBSTRING(${a}, ${whole(start)})`
        : `SUBSTRING(${a}, ${whole(start)}, ${whole(`GREATEST(${from} + ${many} - ${start}, 0)`)})`
    },
    MOD: ([a, b]) => `MOD(${a}, NULLIF(${b}, 0))`,
  },
}
