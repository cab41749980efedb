import { type FormPart, mustHold, tableOf } from '../book'
import { isBlank, isTyped } from '../kinds'
import { formLayout, isUntouched, type LiveForm, toldInForm, type Typed } from '../records'
import type { PartConditions } from './part-conditions'

/** What conditions make of a form at this moment, by the ids of parts. */
export interface FormNow {
  readonly hidden: ReadonlySet<string>
  /** Fields that must be filled, beyond what the table asks; what can't be seen or typed isn't among them. */
  readonly musts: ReadonlySet<string>
  readonly onlyRead: ReadonlySet<string>
}

const nothing: ReadonlySet<string> = new Set()
export const plainForm: FormNow = { hidden: nothing, musts: nothing, onlyRead: nothing }

interface Around {
  readonly live: LiveForm
  /** What a new record's boxes start with. */
  readonly begun: Typed
  /** Whether something of a part is marked wrong. */
  readonly isWrong: (id: string) => boolean
}

/**
 * Tells the conditions of a form's parts for the record that is typed in it. A part shows all the same where it holds
 * something, or is wrong: nothing that was typed, or refuses, is out of sight. What must be filled and isn't can be
 * typed, unless it is always only read. What can't be told yet is not so.
 */
export function formNow({ told }: PartConditions, around: Around): FormNow {
  if (told.length === 0) return plainForm
  const trees = told.flatMap(({ tree }) => tree ?? [])
  const answers = new Map(toldInForm(around.live, trees).map((so, at) => [trees[at], so]))
  const isSo = ({ tree }: (typeof told)[number]) => !tree || answers.get(tree) === true
  const hidden = new Set(
    told.filter((one) => one.asks === 'shows' && !isSo(one) && !isNeeded(one.part, around)).map(({ part }) => part.id),
  )
  const wanted = new Set(told.filter((one) => one.asks === 'must' && isSo(one)).map(({ part }) => part.id))
  const onlyRead = new Set(
    told.flatMap((one) => {
      if (one.asks !== 'onlyRead' || !isSo(one)) return []
      const all = withIn(one.part).map(({ id }) => id)
      return one.tree ? all.filter((id) => !isStillWanted(id, wanted, around)) : all
    }),
  )
  const musts = told.filter(
    (one) =>
      one.asks === 'must' &&
      isSo(one) &&
      !hidden.has(one.part.id) &&
      !(one.group && hidden.has(one.group.id)) &&
      !onlyRead.has(one.part.id),
  )
  return { hidden, onlyRead, musts: new Set(musts.map(({ part }) => part.id)) }
}

const withIn = (part: FormPart): readonly FormPart[] => (part.kind === 'group' ? [part, ...part.lines.flat()] : [part])

/** Whether a field must be filled and was blank when the record was begun, or last saved: it can be typed until it isn't. */
function isStillWanted(id: string, wanted: ReadonlySet<string>, { live, begun }: Around): boolean {
  const table = tableOf(live.book, live.tableId)
  const field = table.fields.find((one) => one.id === id)
  if (!field || !(wanted.has(id) || mustHold(table, field))) return false
  return live.stored ? isBlank(live.stored.row.values[id] ?? '') : !(begun[id] ?? '').trim()
}

/** Whether a part can't go out of sight: it, or something in it, holds what somebody typed, or is wrong. */
const isNeeded = (part: FormPart, around: Around): boolean =>
  withIn(part).some((one) => around.isWrong(one.id) || holds(one, around))

function holds(part: FormPart, { live, begun }: Around): boolean {
  const { book, tableId, form, now } = live
  switch (part.kind) {
    case 'field': {
      const field = tableOf(book, tableId).fields.find(({ id }) => id === part.id)
      const text = (form.text[part.id] ?? '').trim()
      return field !== undefined && isTyped(field) && text !== '' && text !== (begun[part.id] ?? '').trim()
    }
    case 'rows': {
      const inset = formLayout(book, tableId).insets.find(({ link }) => link.id === part.id)
      const rows = form.insets[part.id] ?? []
      return inset !== undefined && rows.some((row) => !row.removed && !isUntouched(book, inset, row, now))
    }
    default:
      return false
  }
}
