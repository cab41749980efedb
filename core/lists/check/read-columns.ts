import { type Book, type Column, type ColumnShows, type Field, findField, type Table } from '../../book'
import { displayOf, displayOfTree, recheckStored } from '../../expressions'
import { capital, inSentence, plural, type Problem, wordProblem } from '../../words'
import { endOf, isSeveral } from '../ways/walk'
import { sayEnd, stretchesOf } from '../ways/say-way'
import { factTree } from './fact-tree'
import { gatheredFace, sayGathering, wholeFace } from './gathered-face'
import { alongFace, alongHeading } from './along'
import { fieldAt } from './field-at'
import { readCondition } from './read-condition'
import type { Gathering, ReadColumn, Reading } from './read-list'

/** Reads the columns of a list; what is wrong with one is noted, and it is then left out. */
export function readColumns(reading: Reading, table: Table): ReadColumn[] {
  const { list, faults } = reading
  const noted = (column: Column, made: Made): ReadColumn[] => {
    if (!('problem' in made)) return [made]
    faults.push({ at: { part: 'column', id: column.id }, problem: made.problem })
    return []
  }
  // What goes along with others comes once those are read; each stands where it stood.
  const plain = new Map(
    list.columns.map((column) => [
      column,
      column.shows.kind === 'along' ? [] : noted(column, show(reading, table, column, column.shows)),
    ]),
  )
  const others = [...plain.values()].flat()
  return list.columns.flatMap((column) =>
    column.shows.kind === 'along'
      ? noted(column, along(reading, column, column.shows, others))
      : (plain.get(column) ?? []),
  )
}

type Made = ReadColumn | { readonly problem: Problem }

function show(reading: Reading, table: Table, column: Column, shows: Exclude<ColumnShows, { kind: 'along' }>): Made {
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

/** What a number is among those of the others; where its column is wrong itself, that has been said. */
function along(
  { book }: Reading,
  { id, heading: written }: Column,
  { column, name }: Shows<'along'>,
  others: readonly ReadColumn[],
): Made {
  const of = others.find((one) => one.id === column)
  const face = of && alongFace(book, id, name, of)
  const heading = written ?? alongHeading(name, of?.heading ?? '')
  if (!of || !face || of.kind === 'several' || of.kind === 'along')
    return { problem: { kind: 'list-along-what', heading } }
  return { kind: 'along', id, heading, face, of, name }
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

type Fielded = Extract<ReadColumn, { kind: 'field' | 'several' }>

/** A field alone goes by its name; where a record is known by it, what leads to the record is enough. */
function headingOf(book: Book, table: Table, way: Fielded['way'], field: Field): string {
  const last = stretchesOf(book, table.id, way).at(-1)
  const isName = last && last.to.knownBy.length === 1 && last.to.knownBy[0] === field.id
  return isName ? last.words : wholeHeading(book, table, way, field)
}

function wholeHeading(book: Book, table: Table, way: Fielded['way'], field: Field): string {
  const last = stretchesOf(book, table.id, way).at(-1)
  return last ? `${last.words} → ${field.name}` : field.name
}

/** Two columns that would be headed alike are told apart by what each shows. */
export function toldApart(book: Book, table: Table, columns: readonly ReadColumn[]): ReadColumn[] {
  const taken = new Set<string>()
  return columns.map((column) => {
    const isTaken = taken.has(column.heading)
    taken.add(column.heading)
    if (!isTaken || (column.kind !== 'field' && column.kind !== 'several')) return column
    return { ...column, heading: wholeHeading(book, table, column.way, column.field) }
  })
}

function gathered(reading: Reading, table: Table, { id, heading: written }: Column, shows: Shows<'gathered'>): Made {
  const { book } = reading
  const { way } = shows
  const end = endOf(book, table.id, way)
  if (!end || way.length === 0) return { problem: { kind: 'list-way-gone', table: table.name } }
  const taken = takenFrom(book, id, end, shows)
  if ('problem' in taken) return taken
  const where = shows.where && readWhere(reading, end, shows.where, { part: 'column', id })
  const { name, field, face } = taken
  const heading = written ?? gatheredHeading(field && { name, field }, sayEnd(book, table.id, way, true))
  return { kind: 'gathered', id, heading, face, way, end, name, field, where }
}

type Taken = { readonly name: Shows<'gathered'>['name']; readonly field: Field | undefined; readonly face: Field }

/** What is taken of each record at the end of a way, and what that gives. */
function takenFrom(
  book: Book,
  id: string,
  end: Table,
  shows: Shows<'gathered'>,
): Taken | { readonly problem: Problem } {
  const { name } = shows
  if (name === 'count') return { name, field: undefined, face: wholeFace(id) }
  if (shows.field === undefined) return { problem: { kind: 'list-gathers-nothing', name: sayGathering(name) } }
  const found = findField(book, shows.field)
  if (found?.table.id !== end.id) return { problem: { kind: 'list-field-gone', table: end.name } }
  const { field } = found
  const face = gatheredFace(id, name, displayOf(book, field), factTree(book, field)?.type)
  return face
    ? { name, field, face }
    : { problem: { kind: 'list-cannot-gather', field: field.name, name: sayGathering(name) } }
}

/** What stands above it: "Payments" where they are counted, "Total of amount". */
function gatheredHeading(taken: { readonly name: Gathering; readonly field: Field } | undefined, ends: string): string {
  if (!taken) return capital(ends)
  const { name, field } = taken
  return name === 'different'
    ? `Different ${plural(inSentence(field.name))} of ${ends}`
    : `${capital(sayGathering(name, field.kind))} of ${inSentence(field.name)}`
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
