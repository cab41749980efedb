import { type Book, type Column, type ColumnShows, type Field, findField, type Table } from '../../book'
import { displayOf, displayOfTree, recheckStored } from '../../expressions'
import { capital, inSentence, plural, type Problem, wordProblem } from '../../words'
import { endOf, isSeveral, mayRepeat } from '../ways/walk'
import { sayEnd, stretchesOf } from '../ways/say-way'
import { factTree } from './fact-tree'
import { fieldAt, readCondition } from './read-condition'
import type { ReadColumn, Reading } from './read-list'

/** How what is gathered is called, before the name of its field. */
export const gatheringWords = {
  count: 'number',
  different: 'different ones',
  total: 'total',
  average: 'average',
  least: 'least',
  greatest: 'greatest',
} as const

/** Reads a column; what is wrong with it is noted, and it is then left out. */
export function readColumn(reading: Reading, table: Table, column: Column): ReadColumn | undefined {
  const made = show(reading, table, column)
  if (!('problem' in made)) return made
  reading.faults.push({ at: { part: 'column', id: column.id }, problem: made.problem })
  return undefined
}

type Made = ReadColumn | { readonly problem: Problem }

function show(reading: Reading, table: Table, column: Column): Made {
  const { shows } = column
  switch (shows.kind) {
    case 'field':
    case 'several':
      return fieldColumn(reading, table, column, shows)
    case 'gathered':
      return gathered(reading, table, column, shows)
    case 'calculated': {
      const read = recheckStored(reading.book, table, shows.tree)
      if ('problem' in read) return { problem: { kind: 'list-calculation-wrong', words: wordProblem(read.problem) } }
      const shown = displayOfTree(reading.book, column.id, read.tree)
      return { kind: 'calculated', id: column.id, heading: column.heading ?? 'Calculated', ...shown }
    }
  }
}

type Shows<Kind extends ColumnShows['kind']> = Extract<ColumnShows, { kind: Kind }>

function fieldColumn(
  { book }: Reading,
  table: Table,
  { id, heading: written }: Column,
  shows: Shows<'field'> | Shows<'several'>,
): Made {
  const { way } = shows.place
  const at = fieldAt(book, table, shows.place)
  if ('problem' in at) return at
  const { end, field } = at
  const what = sayEnd(book, table.id, way, true)
  const face = displayOf(book, field)
  const heading = written ?? headingOf(book, table, way, field)
  const base = { id, heading, face, way, table: end, field }
  if (shows.kind === 'field')
    return isSeveral(book, way) ? { problem: { kind: 'list-several-in-one', what } } : { kind: 'field', ...base }
  return isSeveral(book, way)
    ? { kind: 'several', as: shows.as, ...base }
    : { problem: { kind: 'list-one-as-several', what: inSentence(end.name) } }
}

/** A field alone goes by its name; where it is known by another's, that one's is enough. */
function headingOf(book: Book, table: Table, way: Shows<'field'>['place']['way'], field: Field): string {
  const last = stretchesOf(book, table.id, way).at(-1)
  if (!last) return field.name
  const isName = last.to.knownBy.length === 1 && last.to.knownBy[0] === field.id
  return isName ? last.words : `${last.words} → ${field.name}`
}

function gathered(reading: Reading, table: Table, { id, heading: written }: Column, shows: Shows<'gathered'>): Made {
  const { book } = reading
  const { way, name } = shows
  const end = endOf(book, table.id, way)
  if (!end || way.length === 0) return { problem: { kind: 'list-way-gone', table: table.name } }
  const found = shows.field === undefined ? undefined : findField(book, shows.field)
  if (shows.field !== undefined && found?.table.id !== end.id)
    return { problem: { kind: 'list-field-gone', table: end.name } }
  const field = found?.field
  if (name !== 'count' && !field) return { problem: { kind: 'list-gathers-nothing', name: gatheringWords[name] } }
  const face = field && name !== 'count' ? gatheredFace(book, id, name, field) : whole(id)
  if (!face) return { problem: { kind: 'list-cannot-gather', field: field!.name, name: gatheringWords[name] } }
  const where = shows.where && readWhere(reading, end, shows.where, { part: 'column', id })
  const ends = plural(inSentence(end.name))
  const said =
    name === 'count' || !field
      ? capital(sayEnd(book, table.id, way, true))
      : name === 'different'
        ? `Different ${plural(inSentence(field.name))} of ${ends}`
        : `${capital(gatheringWords[name])} of ${inSentence(field.name)}`
  return { kind: 'gathered', id, heading: written ?? said, face, way, end, name, field, where }
}

/** A condition within a column: what is wrong in it is the column's fault. */
function readWhere(
  reading: Reading,
  end: Table,
  where: Parameters<typeof readCondition>[2],
  at: { part: 'column'; id: string },
) {
  const inner: Reading = { ...reading, faults: [] }
  const read = readCondition(inner, end, where, [])
  reading.faults.push(...inner.faults.map(({ problem }) => ({ at, problem })))
  return read
}

const whole = (id: string): Field => ({ id, name: '', kind: 'whole' })

/** What the gathered values of a field look like; nothing where it can't be gathered so. */
function gatheredFace(
  book: Book,
  id: string,
  name: Exclude<Shows<'gathered'>['name'], 'count'>,
  field: Field,
): Field | undefined {
  if (name === 'different') return field.kind === 'file' ? undefined : whole(id)
  const face = displayOf(book, field)
  const type = factTree(book, field)?.type.is
  const number = type === 'exact' || type === 'measured'
  const timed = type === 'date' || type === 'time' || type === 'moment'
  if (name === 'total' || name === 'average') {
    if (!number) return undefined
    const unit = face.unit ? { unit: face.unit } : {}
    if (face.kind === 'money' || face.kind === 'measured') return { id, name: '', kind: face.kind, ...unit }
    const decimals = (face.kind === 'exact' ? (face.decimals ?? 2) : 0) + (name === 'average' ? 2 : 0)
    return decimals === 0
      ? { ...whole(id), ...unit }
      : { id, name: '', kind: 'exact', digits: 18, decimals: Math.min(decimals, 10), ...unit }
  }
  if (!number && !timed) return undefined
  // A mark or a running number that is the least of several is a number like others.
  return { ...face, id, kind: face.kind === 'running' || face.kind === 'mark' ? 'whole' : face.kind }
}

/** Whether the ends of a column's way must be told apart before they are gathered. */
export const needsDistinct = (book: Book, column: ReadColumn): boolean =>
  column.kind !== 'calculated' && mayRepeat(book, column.way)
