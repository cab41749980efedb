import { fromExact, quoteText, quotientScale, toExact } from '../../kinds'
import { collation, quoteName } from '../../names'
import type { Dialect } from './dialect'

const decimal = ({ whole, scale }: { whole: number; scale: number }) => `DECIMAL(${whole + scale},${scale})`

/** The database that books are opened in. Its columns compare texts as they should be by themselves. */
export const mariadb: Dialect = {
  title: 'MariaDB',
  quoteName,
  quoteText,
  columnType(type) {
    switch (type.is) {
      case 'text':
        return `VARCHAR(${type.most})`
      case 'longText':
        return 'MEDIUMTEXT'
      case 'whole':
        return `${{ 1: 'TINYINT', 4: 'INT', 8: 'BIGINT' }[type.bytes]}${type.unsigned ? ' UNSIGNED' : ''}`
      case 'exact':
        return decimal(type)
      case 'measured':
        return 'DOUBLE'
      case 'truth':
        return 'BOOLEAN'
      case 'date':
        return 'DATE'
      case 'time':
        return 'TIME'
      case 'moment':
        return 'DATETIME'
      case 'fileHash':
        return 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin'
    }
  },
  literal(value, type) {
    switch (type.is) {
      case 'exact':
        return fromExact(toExact(value, type.scale), type.scale)
      case 'measured':
        return value
      case 'truth':
        return value === '1' ? 'TRUE' : 'FALSE'
      case 'date':
        return `DATE ${quoteText(value)}`
      case 'time':
        return `TIME ${quoteText(`${value}:00`)}`
      case 'moment':
        return `TIMESTAMP ${quoteText(`${value.replace('T', ' ')}:00`)}`
      default:
        return `(${quoteText(value)} COLLATE ${collation})`
    }
  },
  column: (column) => column,
  compared: (text) => text,
  joined: (a, b) => `CONCAT(${a}, ${b})`,
  computed: (sql) => sql,
  // More decimals than are kept, and then rounded: MariaDB alone would cut them off at four more than the dividend has.
  quotient: (a, b, type) => `CAST(${a} * 1.${'0'.repeat(quotientScale)} / NULLIF(${b}, 0) AS ${decimal(type)})`,
  shift: (of, { count, unit }) => `(${of} + INTERVAL ${count} ${unit})`,
  days: (a, b) => `DATEDIFF(${a}, ${b})`,
  // Without an escape of its own, MariaDB takes the backslash for one: doubled, it is a letter like any other.
  like(of, pattern, escape) {
    const lower = (part: string) => `${part} COLLATE utf8mb4_bin`
    const written = `LOWER(${pattern})`
    const plain = escape ? written : `REPLACE(${written}, ${quoteText('\\')}, ${quoteText('\\\\')})`
    return `(${lower(`LOWER(${of})`)} LIKE ${lower(plain)} ESCAPE ${quoteText(escape.toLowerCase() || '\\')})`
  },
  cast(of, from, to) {
    if (to.is === 'exact') return `CAST(${of} AS ${decimal(to)})`
    if (to.is === 'measured') return `CAST(${of} AS DOUBLE)`
    if (to.is === 'date') return `CAST(${of} AS DATE)`
    if (to.is === 'moment') return `CAST(${of} AS DATETIME)`
    if (from.is === 'time') return `(TIME_FORMAT(${of}, '%H:%i') COLLATE ${collation})`
    if (from.is === 'moment') return `(DATE_FORMAT(${of}, '%Y-%m-%d %H:%i') COLLATE ${collation})`
    // Adding nought makes MariaDB’s “-0.00” a plain 0.00.
    const plain = from.is === 'exact' ? `CAST(${of} AS ${decimal(from)}) + 0` : of
    return `(CAST(${plain} AS CHAR CHARACTER SET utf8mb4) COLLATE ${collation})`
  },
  today: 'CURRENT_DATE',
  now: `CAST(DATE_FORMAT(CURRENT_TIMESTAMP, '%Y-%m-%d %H:%i:00') AS DATETIME)`,
  functions: {},
}
