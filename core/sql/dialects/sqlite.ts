import type { Type } from '../../expressions'
import type { Dialect } from './dialect'
import { doubleQuoted, folded, singleQuoted } from './standard'

const rounded = (sql: string, scale: number) => (scale === 0 ? `ROUND(${sql})` : `ROUND(${sql}, ${scale})`)
const scaleOf = (type: Type | undefined) => (type?.is === 'exact' ? type.scale : 0)

/** The same day some months on, or the last one of a shorter month; SQLite alone would run over into the next. */
const monthsOn = (of: string, months: number) =>
  `MIN(DATE(${of}, '${months} months'), DATE(${of}, 'start of month', '${months + 1} months', '-1 day'))`

/**
 * SQLite 3.23 or newer. It has no exact decimals: numbers are rounded after each step to the decimals they have,
 * and are right to 15 digits. Days and times are texts as ISO 8601 writes them, yes and no are 1 and 0.
 */
export const sqlite: Dialect = {
  title: 'SQLite',
  quoteName: doubleQuoted,
  quoteText: singleQuoted,
  columnType(type) {
    switch (type.is) {
      case 'whole':
      case 'truth':
        return 'INTEGER'
      case 'exact':
        return 'NUMERIC'
      case 'measured':
        return 'REAL'
      default:
        return 'TEXT'
    }
  },
  literal(value, type) {
    switch (type.is) {
      case 'exact':
      case 'measured':
        return value
      case 'truth':
        return value === '1' ? '1' : '0'
      case 'time':
        return singleQuoted(`${value}:00`)
      case 'moment':
        return singleQuoted(`${value.replace('T', ' ')}:00`)
      default:
        return singleQuoted(value)
    }
  },
  column: (column) => column,
  compared: folded,
  joined: (a, b) => `(${a} || ${b})`,
  computed: (sql, { scale }) => (scale === 0 ? sql : rounded(sql, scale)),
  quotient: (a, b, { scale }) => rounded(`${a} * 1.0 / NULLIF(${b}, 0)`, scale),
  shift(of, { count, unit, type }) {
    if (unit === 'YEAR' || unit === 'MONTH') {
      const day = monthsOn(of, unit === 'YEAR' ? count * 12 : count)
      return type.is === 'date' ? day : `(${day} || SUBSTR(${of}, 11))`
    }
    return `${type.is === 'date' ? 'DATE' : 'DATETIME'}(${of}, '${count} ${unit.toLowerCase()}s')`
  },
  days: (a, b) => `CAST(JULIANDAY(${a}) - JULIANDAY(${b}) AS INTEGER)`,
  like: (of, pattern, escape) =>
    `(LOWER(${of}) LIKE LOWER(${pattern})${escape ? ` ESCAPE ${singleQuoted(escape.toLowerCase())}` : ''})`,
  cast(of, from, to) {
    if (to.is === 'exact') return to.scale > 0 || scaleOf(from) > 0 ? rounded(of, to.scale) : of
    if (to.is === 'measured') return `CAST(${of} AS REAL)`
    if (to.is === 'date') return `DATE(${of})`
    if (to.is === 'moment') return `DATETIME(${of})`
    if (from.is === 'time') return `SUBSTR(${of}, 1, 5)`
    if (from.is === 'moment') return `SUBSTR(${of}, 1, 16)`
    // Nothing would be printed as nought.
    if (from.is === 'exact' && from.scale > 0)
      return `CASE WHEN ${of} IS NOT NULL THEN PRINTF('%.${from.scale}f', ${rounded(of, from.scale)} + 0.0) END`
    return `CAST(${from.is === 'exact' ? `CAST(${of} AS INTEGER)` : of} AS TEXT)`
  },
  today: `DATE('now', 'localtime')`,
  now: `STRFTIME('%Y-%m-%d %H:%M:00', 'now', 'localtime')`,
  functions: {
    TRIM: ([a]) => `TRIM(${a}, ' ')`,
    CHAR_LENGTH: ([a]) => `LENGTH(${a})`,
    POSITION: ([a, b]) => `INSTR(${b}, ${a})`,
    SUBSTRING([a, from, many]) {
      const start = `MAX(${from}, 1)`
      return many === undefined
        ? `SUBSTR(${a}, ${start})`
        : `SUBSTR(${a}, ${start}, MAX(${from} + ${many} - ${start}, 0))`
    },
    MOD([a, b], _types, given) {
      const scale = scaleOf(given)
      const whole = (sql: string) => `CAST(ROUND(${sql} * 1e${scale}) AS INTEGER)`
      return scale === 0
        ? `(${a} % NULLIF(${b}, 0))`
        : rounded(`${whole(a)} % NULLIF(${whole(b)}, 0) / 1e${scale}`, scale)
    },
    ROUND: ([a], _types, given) => rounded(a, scaleOf(given)),
    CEILING: ([a]) => `(CAST(${a} AS INTEGER) + (${a} > CAST(${a} AS INTEGER)))`,
    FLOOR: ([a]) => `(CAST(${a} AS INTEGER) - (${a} < CAST(${a} AS INTEGER)))`,
    'EXTRACT YEAR': ([of]) => `CAST(STRFTIME('%Y', ${of}) AS INTEGER)`,
    'EXTRACT MONTH': ([of]) => `CAST(STRFTIME('%m', ${of}) AS INTEGER)`,
    'EXTRACT DAY': ([of]) => `CAST(STRFTIME('%d', ${of}) AS INTEGER)`,
    'EXTRACT HOUR': ([of]) => `CAST(STRFTIME('%H', ${of}) AS INTEGER)`,
    'EXTRACT MINUTE': ([of]) => `CAST(STRFTIME('%M', ${of}) AS INTEGER)`,
  },
}
