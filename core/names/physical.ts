import { plural } from '../words'
import { reservedWords } from './reserved'

/** Columns and tables of the program's own, which no field or table may take. */
export const ownColumns = ['row_rev', 'changed_at', 'changed_by'] as const
export const ownTable = 'stored_file'

// MariaDB's limit is 64; the rest is left for what constraint names add.
const longest = 48

/** The house styles of a book's live names. */
export const namings = ['plain', 'plural', 'capitals'] as const
export type Naming = (typeof namings)[number]

/**
 * A name for the live database in a house style, never a reserved word, never one already taken
 * (`taken` in lower case). Letters without a Latin form are left out.
 *
 * @example physicalName('Booked for', 'field', new Set()) // => 'booked_for'
 * @example physicalName('Order', 'table', new Set()) // => 'order_record'
 * @example physicalName('Job card', 'table', new Set(), 'plural') // => 'job_cards'
 * @example physicalName('Job card', 'table', new Set(), 'capitals') // => 'JobCard'
 */
export function physicalName(
  name: string,
  what: 'table' | 'field',
  taken: ReadonlySet<string>,
  naming: Naming = 'plain',
): string {
  const plain = latin(naming === 'plural' && what === 'table' ? plural(name) : name)
  const started = plain === '' ? what : /^\d/.test(plain) ? `${what}_${plain}` : plain
  const free = reservedWords.has(written(started, naming).toLowerCase())
    ? `${started}_${what === 'table' ? 'record' : 'value'}`
    : started
  for (let count = 1; ; count++) {
    const candidate = written(count === 1 ? free : `${free}_${count}`, naming)
    if (!taken.has(candidate.toLowerCase())) return candidate
  }
}

const latin = (name: string) =>
  name
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

const written = (plain: string, naming: Naming) =>
  naming === 'capitals'
    ? plain
        .split('_')
        .map((word) => word.charAt(0).toUpperCase() + word.slice(1))
        .join('')
    : plain

/** Whether a name had to be changed because databases keep the word to themselves. */
export const isReserved = (name: string) => reservedWords.has(latin(name))

/** What is wrong with a live name that was typed, or nothing. Completes "… can't be used because". */
export function liveNameHindrance(typed: string, taken: ReadonlySet<string>): string | undefined {
  const lower = typed.toLowerCase()
  if (!/^[a-z][a-z\d_]*$/i.test(typed))
    return 'it may hold only letters without accents, digits and underscores, and begins with a letter'
  if (typed.length > longest) return `it may have at most ${longest} characters`
  if (reservedWords.has(lower)) return 'databases keep that word to themselves'
  if (lower === ownTable || ownColumns.some((name) => name === lower)) return 'the book uses that name itself'
  return taken.has(lower) ? 'something else is called so already' : undefined
}

/** The one place where an identifier becomes SQL text. */
export const quoteName = (name: string) => `\`${name.replaceAll('`', '``')}\``

/** Text compares without regard to case but with regard to accents; said to the administrator on opening. */
export const collation = 'utf8mb4_uca1400_as_ci'
