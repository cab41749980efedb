import { Decimal } from 'decimal.js'
import { fail, ok, type Result } from '../words'
import type { ColumnCheck } from './kind'
import type { Look } from './look'
import type { FieldSettings } from './settings'

const marks = {
  '1,234.50': { group: ',', point: '.' },
  '1.234,50': { group: '.', point: ',' },
  '1 234,50': { group: ' ', point: ',' },
} as const satisfies Record<Look['numberStyle'], { group: string; point: string }>

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
  return ok(new Decimal(text).toFixed())
}

/** Checks that a canonical decimal fits so many digits before the point and so many after it. */
export function fitDecimal(value: string, digits: number, decimals: number): Result<string> {
  const number = new Decimal(value)
  if (number.decimalPlaces() > decimals) return fail({ kind: 'too-many-decimals', decimals })
  if (number.abs().gte(new Decimal(10).pow(digits))) return fail({ kind: 'too-many-digits', digits })
  return ok(number.isZero() ? new Decimal(0).toFixed(decimals) : number.toFixed(decimals))
}

/** Writes a canonical number in the book's style, thousands grouped. */
export function showDecimal(value: string, look: Look): string {
  const { group, point } = marks[look.numberStyle]
  const [whole = '0', fraction] = value.replace('-', '').split('.')
  const sign = value.startsWith('-') ? '-' : ''
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, group)
  return `${sign}${grouped}${fraction === undefined ? '' : point + fraction}`
}

export const compareNumber = (a: string, b: string) => new Decimal(a).cmp(new Decimal(b))

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
