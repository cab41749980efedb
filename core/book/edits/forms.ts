import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { dropPart, putForm, setKeys } from '../build-steps'
import { findForm, findTable } from '../find'
import { Form, type FormLines, type FormPart } from '../form'
import { limits } from '../limits'
import { type EditKind, Id, orNothing, readName } from './edit-kind'
import { isTaken, tidied, typedName } from './kept-parts'

const gone = fail({ kind: 'gone', what: 'form' })

type Parts = Omit<Form, 'id' | 'table'>

/** Words without what nobody sees; as they were, where nothing else is left. */
const bare = (words: string) => {
  const tidy = tidied(words, limits.describeLength)
  return tidy.ok && tidy.value ? tidy.value : '…'
}

function tidyPart(part: FormPart): FormPart {
  switch (part.kind) {
    case 'field':
      return { ...part, ...(part.label && { label: bare(part.label) }), ...(part.help && { help: bare(part.help) }) }
    case 'rows':
    case 'linked':
      return { ...part, ...(part.label && { label: bare(part.label) }) }
    case 'words':
      return { ...part, words: bare(part.words) }
    case 'group':
      return {
        ...part,
        ...(part.heading && { heading: bare(part.heading) }),
        // A group holds no groups.
        lines: part.lines.map((line) => line.map(tidyPart)) as typeof part.lines,
      }
    case 'totals':
    case 'line':
      return part
  }
}

/** All parts, those of a group after the group. */
const partsIn = (lines: FormLines): readonly FormPart[] =>
  lines.flat().flatMap((part) => (part.kind === 'group' ? [part, ...part.lines.flat()] : [part]))

/** A form's parts tidied, or why they can't be kept. */
function partsOf(book: Book, id: string, table: string, parts: Parts): Result<Parts> {
  const others = book.forms.filter((form) => form.table === table && form.id !== id)
  const name = readName(parts.name, 'form', others, findTable(book, table)?.name)
  if (!name.ok) return name
  const all = partsIn(parts.lines)
  if (all.length > limits.formParts) return fail({ kind: 'form-too-long', most: limits.formParts })
  const said = [...all.map((part) => part.id), ...all.flatMap((part) => (part.kind === 'totals' ? part.fields : []))]
  // A box that stood twice would be typed in one place and read in the other.
  if (new Set(said).size < said.length || parts.without.some((left) => said.includes(left)))
    return fail({ kind: 'stale', what: 'This form' })
  return ok({ ...parts, name: name.value, lines: parts.lines.map((line) => line.map(tidyPart)) })
}

const AddForm = z.strictObject({ kind: z.literal('addForm'), ...Form.shape, id: Id, name: typedName })

/** A form that is arranged for a table. */
export const addForm: EditKind<z.infer<typeof AddForm>> = {
  schema: AddForm,
  steps(book, { kind: _kind, id, table, ...typed }) {
    if (!findTable(book, table)) return fail({ kind: 'gone', what: 'table' })
    if (isTaken(book, id)) return fail({ kind: 'stale', what: 'This form' })
    if (book.forms.length >= limits.forms) return fail({ kind: 'too-many', what: 'form', limit: limits.forms })
    const parts = partsOf(book, id, table, typed)
    return parts.ok ? ok([putForm({ id, table, ...parts.value })]) : parts
  },
  say: (book, { name, table }) => `Arrange the form ${name} of ${findTable(book, table)?.name ?? ''}`,
}

const ChangeForm = z.strictObject({
  kind: z.literal('changeForm'),
  form: Id,
  /** As it is to be; what isn't in it is taken out. */
  to: z.strictObject({ ...Form.omit({ id: true, table: true }).shape, name: typedName }),
})

export const changeForm: EditKind<z.infer<typeof ChangeForm>> = {
  schema: ChangeForm,
  steps(book, { form: id, to }) {
    const form = findForm(book, id)
    if (!form) return gone
    const parts = partsOf(book, id, form.table, to)
    if (!parts.ok) return parts
    const { name, lines, without, for: roles, starts } = parts.value
    return orNothing(setKeys(form, id, { name, lines, without, for: roles, starts }))
  },
  say: (book, { form }) => `Arrange the form ${findForm(book, form)?.name ?? ''}`,
}

const RemoveForm = z.strictObject({ kind: z.literal('removeForm'), form: Id })

export const removeForm: EditKind<z.infer<typeof RemoveForm>> = {
  schema: RemoveForm,
  steps: (book, { form: id }) => (findForm(book, id) ? ok([dropPart(book, 'forms', id)]) : gone),
  say: (book, { form }) => `Remove the form ${findForm(book, form)?.name ?? ''}`,
}
