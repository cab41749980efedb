import { type Book, findTable, type List } from '../../book'
import { capital, counted, inSentence } from '../../words'
import { isTimed } from '../check/comparisons'
import type { ReadColumn, ReadList, ReadShown } from '../check/read-list'
import { readList } from '../check/check-list'
import { sayMeasure } from '../groups/measure'
import { sayGroups } from '../groups/say-group'
import { sayPlace } from '../ways/say-way'
import { sayCondition } from './say-condition'

/** What a press on a part of the sentence changes. */
export type PieceOf =
  | { readonly kind: 'table' }
  | { readonly kind: 'condition'; readonly at: number }
  /** Whether all of the conditions must hold, or any is enough. */
  | { readonly kind: 'joint' }
  | { readonly kind: 'columns' }
  | { readonly kind: 'groups' }
  | { readonly kind: 'shown' }
  | { readonly kind: 'order' }

/** A part of the sentence that a list is: plain words, or a piece that is pressed to change it. */
export interface Piece {
  readonly words: string
  readonly of?: PieceOf
}

/** The conditions of a list, side by side; one that is made otherwise is one by itself. */
export const conditionsOf = ({ where }: Pick<List, 'where'>) =>
  where?.kind === 'all' || where?.kind === 'any' ? where.of : where ? [where] : []

/** Whether all conditions of a list must hold, or any of them is enough. */
export const jointOf = ({ where }: Pick<List, 'where'>): 'all' | 'any' => (where?.kind === 'any' ? 'any' : 'all')

/** Which way a column is gone by: "newest first". */
export function sayDirection({ face }: Pick<ReadColumn, 'face'>, down: boolean, natural = false): string {
  const [up, last] = natural ? ['A2 before A10', 'A10 before A2'] : directionsOf(face)
  return down ? last : up
}

function directionsOf(face: ReadColumn['face']): readonly [up: string, down: string] {
  if (isTimed(face.kind)) return ['earliest first', 'latest first']
  if (face.kind === 'running') return ['oldest first', 'newest first']
  if (['whole', 'exact', 'measured', 'money', 'mark'].includes(face.kind)) return ['least first', 'most first']
  return face.kind === 'tick' ? ['not ticked first', 'ticked first'] : ['A to Z', 'Z to A']
}

/** "by day, latest first". An arrow is for the eye; a sentence says whose field it is. */
function sayOrder(book: Book, tableId: string, { column, down, blanks, natural }: ReadList['order'][number]): string {
  const isPlace = column.kind === 'field' && column.heading.includes('→')
  const name = isPlace
    ? sayPlace(book, tableId, { way: column.way, field: column.field.id })
    : inSentence(column.heading)
  // Blanks are spoken of where they don’t stand as they fall.
  const put = blanks && (blanks === 'first') === down ? `, blanks ${blanks}` : ''
  return `by ${name}, ${sayDirection(column, down, natural)}${put}`
}

/** What stands before a condition; the last joint is pressed to change all of them. */
function jointBefore(list: List, at: number, count: number): Piece[] {
  if (at === 0) return [{ words: ' ' }]
  if (at < count - 1) return [{ words: ', ' }]
  return [{ words: ' ' }, { words: jointOf(list) === 'any' ? 'or' : 'and', of: { kind: 'joint' } }, { words: ' ' }]
}

/** A list as a sentence: its name until it gets one, what it is called in an index, and what is pressed to change it. */
export function sentenceOf(book: Book, list: List): Piece[] {
  const noun = inSentence(findTable(book, list.table)?.name ?? 'record of a table that is gone')
  const asked = conditionsOf(list)
  const conditions = asked.flatMap((condition, at): Piece[] => [
    ...jointBefore(list, at, asked.length),
    { words: sayCondition(book, list.table, condition, list), of: { kind: 'condition', at } },
  ])
  const columns = list.columns.length
  // Headings are told as far as the list can be read; an order by what is gone says so where it is changed.
  const { read } = { read: undefined, ...readList(book, { ...list, where: undefined }, nothing) }
  const order = (read?.order ?? []).map((one) => sayOrder(book, list.table, one))
  return [
    { words: 'Each ' },
    { words: noun, of: { kind: 'table' } },
    ...conditions,
    { words: ', with ' },
    { words: counted(columns, 'field'), of: { kind: 'columns' } },
    ...(list.groups
      ? [
          { words: ', grouped by ' },
          { words: read ? sayGroups(read.groups) : 'what is gone', of: { kind: 'groups' } as const },
        ]
      : []),
    ...(list.shown
      ? [
          { words: ', ' },
          { words: read?.shown ? sayShown(read, read.shown) : 'shown otherwise', of: { kind: 'shown' } as const },
        ]
      : []),
    { words: ', ' },
    { words: order.length > 0 ? order.join(', then ') : 'in the order of their keys', of: { kind: 'order' } },
    ...(list.first ? [{ words: ', ' }, { words: sayFirst(list), of: { kind: 'order' } as const }] : []),
    { words: '.' },
  ]
}

const sayFirst = ({ first, groups }: List) => `the first ${first ?? ''}${groups ? ' of each group' : ''}`

const chartWords = {
  bars: 'as bars',
  stacked: 'as stacked bars',
  lines: 'as lines',
  shares: 'as shares',
  scatter: 'as points',
} as const

const sayShown = (read: ReadList, { of, chart, against }: ReadShown): string =>
  `${chart ? `${chartWords[chart]} of` : 'crossed, showing'} ${sayMeasure(read, of)}${against ? ` against ${sayMeasure(read, against)}` : ''}`

const nothing = { given: {}, now: { moment: '2000-01-01T00:00' } }

/** The same in plain words. */
export const sayList = (book: Book, list: List): string =>
  sentenceOf(book, list)
    .map(({ words }) => words)
    .join('')

/** What a list is called: by its name, or by what it asks. */
export function nameOf(book: Book, list: List): string {
  if (list.name) return list.name
  const noun = inSentence(findTable(book, list.table)?.name ?? '')
  const asked = conditionsOf(list).map((condition) => sayCondition(book, list.table, condition, list))
  return asked.length === 0
    ? `Each ${noun}`
    : `${capital(`each ${noun}`)} ${asked.join(jointOf(list) === 'any' ? ' or ' : ' and ')}`
}
