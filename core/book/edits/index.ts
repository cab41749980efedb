import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { apply, type Step } from '../steps'
import { addTable } from './add-table'
import { answerPairing } from './answer-pairing'
import { changeLink } from './change-link'
import { copyTable } from './copy-table'
import type { EditKind } from './edit-kind'
import { addField, changeField, moveField, removeField } from './fields'
import { changeLook } from './look'
import { addNeeds, changeNeed, moveNeed, removeNeed, tieNeed } from './needs'
import { askAgain, sayNoTie } from './no-tie'
import { changeWords, listToChoices, choicesToList } from './word-lists'
import { removeTable } from './remove-table'
import { describeTable, moveTable, placeTables, renameTable, setKey, setKnownBy, tidyMap } from './tables'
import { nameLive } from './live-name'
import { addList, changeList, removeList } from './lists'
import { changeLetterhead } from './letterhead'
import { addReport, changeReport, removeReport } from './reports'
import { changeFormLook } from './form-look'
import { addForm, changeForm, removeForm } from './forms'
import { addTemplate, changeTemplate, removeTemplate } from './templates'
import { limitLink } from './limit-link'
import { mergeTables } from './merge-tables'
import { addRule, changeRule, removeRule } from './rules'
import { splitTable } from './split-table'
import { togetherOf } from './together'
import { untie } from './untie'
import { addArea, addRemark, changeArea, changeRemark, changeSheet, pinTables, removeArea, removeRemark } from './sheet'
import { dismiss, wantAgain } from './dismiss'

/** Every kind of edit, by the name its message carries. */
const editKinds = {
  addNeeds,
  changeNeed,
  removeNeed,
  moveNeed,
  tieNeed,
  addTable,
  renameTable,
  describeTable,
  moveTable,
  copyTable,
  removeTable,
  setKey,
  setKnownBy,
  placeTables,
  tidyMap,
  addField,
  changeField,
  removeField,
  moveField,
  answerPairing,
  changeLink,
  untie,
  sayNoTie,
  askAgain,
  changeLook,
  limitLink,
  nameLive,
  splitTable,
  mergeTables,
  choicesToList,
  listToChoices,
  changeWords,
  addRule,
  changeRule,
  removeRule,
  dismiss,
  addArea,
  changeArea,
  removeArea,
  addRemark,
  changeRemark,
  removeRemark,
  changeSheet,
  changeLetterhead,
  changeFormLook,
  addReport,
  changeReport,
  removeReport,
  addTemplate,
  changeTemplate,
  removeTemplate,
  addForm,
  changeForm,
  removeForm,
  addList,
  changeList,
  removeList,
  pinTables,
  wantAgain,
  together: togetherOf(stepsOfMessage),
}

type Kinds = typeof editKinds
type MessageOf<Kind> = Kind extends EditKind<infer Message> ? Message : never
/** A wish to change a book. Plain JSON; its ids are made by whoever wishes. */
export type Edit = { [Name in keyof Kinds]: MessageOf<Kinds[Name]> }[keyof Kinds]

/** The edit's message checked at the edge, or a problem where it is none. */
export function readEdit(message: unknown): Result<Edit> {
  const named = z
    .looseObject({ kind: z.enum(Object.keys(editKinds) as [keyof Kinds, ...(keyof Kinds)[]]) })
    .safeParse(message)
  if (!named.success) return fail({ kind: 'stale', what: 'This program' })
  const read = (editKinds[named.data.kind].schema as z.ZodType<Edit>).safeParse(message)
  return read.success ? ok(read.data) : fail({ kind: 'stale', what: 'This program' })
}

/** For edits made of edits: one of them, read and resolved. */
function stepsOfMessage(book: Book, message: unknown): Result<readonly Step[]> {
  const edit = readEdit(message)
  if (!edit.ok) return edit
  return edit.value.kind === 'together' ? fail({ kind: 'stale', what: 'This program' }) : stepsOf(book, edit.value)
}

const kindFor = (edit: Edit) => editKinds[edit.kind] as unknown as EditKind<Edit>

/** The steps that an edit means for this book, or why it can't be made. */
const stepsOf = (book: Book, edit: Edit): Result<readonly Step[]> => kindFor(edit).steps(book, edit)

/** How history tells the edit; said of the book before it. */
export const sayEdit = (book: Book, edit: Edit): string => kindFor(edit).say(book, edit)

/** Makes an edit: the book after it and the steps it took. */
export function applyEdit(book: Book, edit: Edit): Result<{ readonly book: Book; readonly steps: readonly Step[] }> {
  const steps = stepsOf(book, edit)
  if (!steps.ok) return steps
  const after = apply(book, steps.value)
  return after.ok ? ok({ book: after.value, steps: steps.value }) : after
}
