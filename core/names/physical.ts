import { reservedWords } from './reserved'

/** Columns and tables of the program's own, which no field or table may take. */
export const ownColumns = ['row_rev', 'changed_at', 'changed_by'] as const
export const ownTable = 'stored_file'

// MariaDB's limit is 64; the rest is left for what constraint names add.
const longest = 48

/**
 * A name for the live database: lower case, words joined by underscores, never a reserved word,
 * never one already taken. Letters without a Latin form are left out.
 *
 * @example physicalName('Booked for', 'field', new Set()) // => 'booked_for'
 * @example physicalName('Order', 'table', new Set()) // => 'order_record'
 */
export function physicalName(name: string, what: 'table' | 'field', taken: ReadonlySet<string>): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .replace(/[æÆ]/g, 'ae')
    .replace(/[øØ]/g, 'o')
    .toLowerCase()
    .replace(/[^a-z\d]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, longest)
    .replace(/_+$/, '')
  const started = plain === '' ? what : /^\d/.test(plain) ? `${what}_${plain}` : plain
  const free = reservedWords.has(started) ? `${started}_${what === 'table' ? 'record' : 'value'}` : started
  for (let count = 1; ; count++) {
    const candidate = count === 1 ? free : `${free}_${count}`
    if (!taken.has(candidate)) return candidate
  }
}

/** The one place where an identifier becomes SQL text. */
export const quoteName = (name: string) => `\`${name.replaceAll('`', '``')}\``
