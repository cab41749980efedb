import { fail, ok, type Result } from '../words'
import { fromExact, toExact } from './exact-numbers'
import type { ColumnCheck } from './kind'
import type { Look } from './look'
import type { FieldSettings } from './settings'

const marks = {
  '1,234.50': { group: ',', point: '.' },
  '1.234,50': { group: '.', point: ',' },
  '1 234,50': { group: ' ', point: ',' },
} as const satisfies Record<Look['numberStyle'], { group: string; point: string }>

/** What groups thousands in the book's style, and what stands before decimals. */
export const marksOf = ({ numberStyle }: Pick<Look, 'numberStyle'>) => marks[numberStyle]

/**
 * Reads a plain decimal in the book's number style to canonical text: no leading zeros, no group
 * marks, no "-0". Exponents and other notations are refused, so that nothing is guessed.
 */
export function readDecimal(
  typed: string,
  look: Look,
  example = `12${marks[look.numberStyle].point}5`,
): Result<string> {
  const { group, point } = marks[look.numberStyle]
  const refused = fail({ kind: 'not-number', text: typed.trim(), example })
  let text = typed.trim().replace(/^[−–]/, '-').replaceAll('\u00a0', ' ')
  const grouped = new RegExp(`^[-+]?\\d{1,3}(\\${group}\\d{3})+(\\${point}\\d*)?$`)
  if (grouped.test(text)) text = text.replaceAll(group, '')
  text = text.replace(point, '.')
  if (!/^[-+]?(\d+\.?\d*|\.\d+)$/.test(text) || text.length > 60) return refused
  return ok(canonical(text))
}

/** Without a plus, leading noughts, noughts behind the last decimal, or a sign before nought. */
export function canonical(text: string): string {
  const [whole = '', fraction = ''] = text.replace(/^[-+]/, '').split('.')
  const [before, behind] = [whole.replace(/^0+(?=\d)/, '') || '0', fraction.replace(/0+$/, '')]
  const plain = behind ? `${before}.${behind}` : before
  return text.startsWith('-') && plain !== '0' ? `-${plain}` : plain
}

/** Checks that a canonical decimal fits so many digits before the point and so many after it. */
export function fitDecimal(value: string, digits: number, decimals: number): Result<string> {
  const number = canonical(value)
  const [whole = '', fraction = ''] = number.replace('-', '').split('.')
  if (fraction.length > decimals) return fail({ kind: 'too-many-decimals', decimals })
  if (whole !== '0' && whole.length > digits) return fail({ kind: 'too-many-digits', digits })
  return ok(fromExact(toExact(number, decimals), decimals))
}

/** Writes a canonical number in the book's style, thousands grouped. */
export function showDecimal(value: string, look: Look): string {
  const { group, point } = marks[look.numberStyle]
  const [whole = '0', fraction] = value.replace('-', '').split('.')
  const sign = value.startsWith('-') ? '-' : ''
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, group)
  return `${sign}${grouped}${fraction === undefined ? '' : point + fraction}`
}

/** Which of two canonical numbers comes first: below nought where the one does. */
export function compareNumber(a: string, b: string): number {
  const scale = Math.max(decimalsOf(a), decimalsOf(b))
  const [left, right] = [toExact(a, scale), toExact(b, scale)]
  return left < right ? -1 : left > right ? 1 : 0
}

const decimalsOf = (value: string) => value.split('.')[1]?.length ?? 0

/** Of a day all parts are there: MariaDB lets tools that ask for it write "2027-00-00". */
export const wholeDay: ColumnCheck = {
  name: 'day',
  sql: (column) => `YEAR(${column}) > 0 AND MONTH(${column}) > 0 AND DAYOFMONTH(${column}) > 0`,
  mariadb: true,
}

/** Times go to the minute. */
export const wholeMinute: ColumnCheck = { name: 'minute', sql: (column) => `SECOND(${column}) = 0`, mariadb: true }

/** The bounds of a number column. */
export function boundChecks({ least, most }: FieldSettings, literal = (value: string) => value): ColumnCheck[] {
  const checks: ColumnCheck[] = []
  if (least !== undefined) checks.push({ name: 'least', sql: (column) => `${column} >= ${literal(least)}` })
  if (most !== undefined) checks.push({ name: 'most', sql: (column) => `${column} <= ${literal(most)}` })
  return checks
}

/** "2.0 to 14.0", "at least 2", "at most 14" or nothing. */
export function boundWords({ least, most }: FieldSettings, show: (value: string) => string): string {
  if (least !== undefined && most !== undefined) return ` · ${show(least)} to ${show(most)}`
  if (least !== undefined) return ` · at least ${show(least)}`
  return most === undefined ? '' : ` · at most ${show(most)}`
}

export const unitWords = (unit: string | undefined) => (unit ? ` · ${unit}` : '')
