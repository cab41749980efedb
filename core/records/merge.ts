import { type Book, type Field, tableOf } from '../book'
import { isTyped } from '../kinds'
import { formLayout, type Inset } from './form-layout'
import type { FormText, RowText, Typed } from './form-text'

export type Side = 'mine' | 'theirs'

/** One thing that stands otherwise in the two forms, to choose from. */
export interface Difference {
  /** What the choice goes by. */
  readonly id: string
  /** Where it is a row's: which inset it is in, and the words it is known again by. */
  readonly row?: { readonly link: string; readonly words: string }
  /** Undefined where the whole row is meant: one of the two took it out. */
  readonly field: Field | undefined
  /** In words; undefined where the row is taken out. */
  readonly mine: string | undefined
  readonly theirs: string | undefined
  /** Whoever changed it; mine where both did, and what loses nothing where one took out what the other changed. */
  readonly usual: Side
}

/** Three forms of one record: what both began with, what was typed here, and what somebody else saved meanwhile. */
export interface Versions {
  readonly start: FormText
  readonly mine: FormText
  readonly theirs: FormText
}

export type Choices = ReadonlyMap<string, Side>

/** What stands otherwise in the two forms, value by value, also in the rows that both have. */
export function differences(book: Book, tableId: string, versions: Versions): Difference[] {
  const { start, mine, theirs } = versions
  const own = tableOf(book, tableId).fields.flatMap((field) => fieldDifference(field, field.id, start, mine, theirs))
  const rows = formLayout(book, tableId).insets.flatMap((inset) =>
    meetingRows(inset, versions).flatMap((meeting) => rowDifferences(inset, meeting)),
  )
  return [...own, ...rows]
}

/**
 * The form with what was chosen, on the rows as they are stored now: mine that are new stay, and one that they took
 * out and I keep is entered anew.
 */
export function mergedForm(book: Book, tableId: string, versions: Versions, choices: Choices): FormText {
  const { mine, theirs } = versions
  const chosen = (difference: Difference) => choices.get(difference.id) ?? difference.usual
  const all = differences(book, tableId, versions)
  const mineIn = new Set(all.filter((one) => chosen(one) === 'mine').map((one) => one.id))
  const own = tableOf(book, tableId).fields.filter((field) => mineIn.has(field.id))
  const insets = formLayout(book, tableId).insets.map((inset): [string, readonly RowText[]] => {
    const link = inset.link.id
    const met = meetingRows(inset, versions)
    const rows = (theirs.insets[link] ?? []).flatMap((row): RowText[] => {
      const meeting = met.find((one) => one.theirs === row)
      if (!meeting?.mine) return [row]
      const { mine: my } = meeting
      const isWhole = my.removed && !isChanged(inset, meeting.start, row)
      if (isWhole || mineIn.has(rowId(inset, row))) return [{ ...row, removed: my.removed }]
      const fields = inset.fields.filter((field) => mineIn.has(cellId(inset, row, field)))
      return [{ ...row, ...withFields(row, my, fields) }]
    })
    const anew = met.flatMap(({ mine: my, theirs: their }) =>
      my && !their && mineIn.has(rowId(inset, my)) ? [{ ...my, ref: null, rev: null }] : [],
    )
    return [link, [...rows, ...anew, ...(mine.insets[link] ?? []).filter((row) => row.ref === null)]]
  })
  return { ...withFields(theirs, mine, own), insets: Object.fromEntries(insets) }
}

/** The form of a record that is gone, to be saved as a new one: its rows are new too. */
export const asNew = (form: FormText): FormText => ({
  ...form,
  insets: Object.fromEntries(
    Object.entries(form.insets).map(([link, rows]) => [
      link,
      rows.filter((row) => !row.removed).map((row) => ({ ...row, ref: null, rev: null })),
    ]),
  ),
})

interface Texts {
  readonly text: Typed
  readonly labels: Typed
}

const withFields = (onto: Texts, from: Texts, fields: readonly Field[]): Texts => {
  const taken = (kind: keyof Texts) => Object.fromEntries(fields.map(({ id }) => [id, from[kind][id] ?? '']))
  return { text: { ...onto.text, ...taken('text') }, labels: { ...onto.labels, ...taken('labels') } }
}

/** A row that was there when both began, as each of them has it; theirs undefined where they took it out. */
interface Meeting {
  readonly start: RowText
  readonly mine: RowText | undefined
  readonly theirs: RowText | undefined
}

function meetingRows(inset: Inset, { start, mine, theirs }: Versions): Meeting[] {
  const link = inset.link.id
  const byRef = (rows: readonly RowText[] = []) => new Map(rows.flatMap((row) => (row.ref ? [[row.ref, row]] : [])))
  const [my, their] = [byRef(mine.insets[link]), byRef(theirs.insets[link])]
  return (start.insets[link] ?? []).map((row) => ({
    start: row,
    mine: my.get(row.ref ?? ''),
    theirs: their.get(row.ref ?? ''),
  }))
}

const isChanged = (inset: Inset, start: RowText, row: RowText) =>
  inset.fields.some((field) => isTyped(field) && textIn(start, field) !== textIn(row, field))

const textIn = ({ text }: Texts, { id }: Field) => text[id] ?? ''

const rowId = (inset: Inset, { ref }: RowText) => `${inset.link.id}/${ref}`
const cellId = (inset: Inset, row: RowText, field: Field) => `${rowId(inset, row)}/${field.id}`

function rowDifferences(inset: Inset, { start, mine, theirs }: Meeting): Difference[] {
  const words = rowWords(inset, start)
  const row = { link: inset.link.id, words }
  if (!mine) return []
  const whole = { id: rowId(inset, mine), row, field: undefined }
  if (!theirs) {
    if (mine.removed || !isChanged(inset, start, mine)) return []
    return [{ ...whole, mine: changesIn(inset, start, mine), theirs: undefined, usual: 'mine' }]
  }
  if (mine.removed)
    return isChanged(inset, start, theirs)
      ? [{ ...whole, mine: undefined, theirs: changesIn(inset, start, theirs), usual: 'theirs' }]
      : []
  return inset.fields.flatMap((field) =>
    fieldDifference(field, cellId(inset, theirs, field), start, mine, theirs).map((one) => ({ ...one, row })),
  )
}

function fieldDifference(field: Field, id: string, start: Texts, mine: Texts, theirs: Texts): Difference[] {
  if (!isTyped(field) || textIn(mine, field) === textIn(theirs, field)) return []
  const usual = textIn(mine, field) === textIn(start, field) ? 'theirs' : 'mine'
  return [{ id, field, mine: shown(mine, field), theirs: shown(theirs, field), usual }]
}

/** What people see in a box: a link's or a file's own words, not what it goes by. */
const shown = (texts: Texts, field: Field) =>
  (['link', 'file'].includes(field.kind) && textIn(texts, field) && texts.labels[field.id]) || textIn(texts, field)

/** A row by what stands first in it. */
const rowWords = (inset: Inset, row: RowText) =>
  inset.fields
    .filter(isTyped)
    .map((field) => shown(row, field))
    .filter((words) => words !== '')
    .slice(0, 2)
    .join(', ')

/** The values of a row that were changed, by their names. */
const changesIn = (inset: Inset, start: RowText, row: RowText) =>
  inset.fields
    .filter((field) => isTyped(field) && textIn(start, field) !== textIn(row, field))
    .map((field) => `${field.name}: ${shown(row, field) || 'empty'}`)
    .join(', ')
