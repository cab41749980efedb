import type { FieldErrors, Resolver } from 'react-hook-form'
import { type Book, type FormLines, tableOf } from '@/core/book'
import { formNow, onForm, partsInOrder, rowColumns } from '@/core/forms'
import type { Now } from '@/core/kinds'
import { type FormContext, checkForm, type FormText, formLayout, type LiveForm, type Problems } from '@/core/records'
import { plural, wordProblem } from '@/core/words'
import type { FormAsks } from './form-asks'

/** What the form itself asks for beyond its table: what its conditions say must be filled, and is blank. */
function blankMusts(live: LiveForm, { conditions, begun }: FormAsks): Problems {
  const { musts } = formNow(conditions, { live, begun, isWrong: () => false })
  const { fields } = tableOf(live.book, live.tableId)
  return Object.fromEntries(
    fields.flatMap(({ id, name }) =>
      musts.has(id) && live.checked.values[id] === null ? [[id, { kind: 'blank', field: name }] as const] : [],
    ),
  )
}

/** Lets the form library ask core what is wrong; the words come from there too. */
export const formResolver =
  (book: Book, tableId: string, now: Now, around: FormContext, asks: FormAsks): Resolver<FormText> =>
  (text) => {
    const { stored, linked = () => undefined } = around
    const checked = checkForm(book, tableId, text, now, around)
    const blank = blankMusts({ book, tableId, form: text, checked, stored, linked, now }, asks)
    if (checked.sound && Object.keys(blank).length === 0) return { values: text, errors: {} }
    const worded = (problems: Problems) =>
      Object.fromEntries(
        Object.entries(problems).map(([id, problem]) => [id, { type: problem.kind, message: wordProblem(problem) }]),
      )
    const lacks = worded(checked.lacks)
    const insets = Object.entries(checked.rows).map(([link, rows]): [string, InsetErrors] => [
      link,
      // The library looks for what is wrong with a list as a whole at its root.
      Object.assign(
        rows.map((row) => (Object.keys(row.problems).length > 0 ? { text: worded(row.problems) } : undefined)),
        lacks[link] && { root: lacks[link] },
      ),
    ])
    const wrongInsets = Object.fromEntries(insets.filter(([, rows]) => rows.some(Boolean) || rows.root))
    const errors = {
      text: worded({ ...blank, ...checked.problems }),
      ...(Object.keys(wrongInsets).length > 0 && { insets: wrongInsets }),
    }
    return { values: {}, errors: errors as unknown as FieldErrors<FormText> }
  }

/** One thing to put right: what it is called, what is wrong with it, and the box where that is done. */
export interface Wrong {
  readonly box: string
  readonly path: `text.${string}` | `insets.${string}`
  readonly label: string
  readonly words: string
}

/** What an inset's box goes by in the page. */
export const cellId = (link: string, at: number, field: string) => `${link}-${at}-${field}`

/** What the button that adds a row to an inset goes by in the page. */
export const addId = (link: string) => `${link}-add`

type Mark = { readonly message?: string } | undefined
type Marks = Readonly<Record<string, Mark>>
type InsetErrors = readonly ({ readonly text?: Marks } | undefined)[] & { readonly root?: Mark }

/** Whether a field, or something in the rows of a link, is marked wrong; the library may keep empty marks for rows. */
export function isMarked(errors: FieldErrors<FormText>, id: string): boolean {
  const own = (errors.text ?? {}) as unknown as Marks
  const rows = ((errors.insets ?? {}) as unknown as Readonly<Record<string, InsetErrors | undefined>>)[id]
  if (own[id] !== undefined || rows?.root?.message) return true
  return rows !== undefined && [...rows].some((row) => Object.values(row?.text ?? {}).some((mark) => mark?.message))
}

/** Everything that is marked wrong, in the order of the form. */
export function wrongsIn(book: Book, tableId: string, errors: FieldErrors<FormText>): Wrong[] {
  const { rows, insets, foot } = formLayout(book, tableId)
  const own = (errors.text ?? {}) as unknown as Marks
  const all = (errors.insets ?? {}) as unknown as Readonly<Record<string, InsetErrors>>
  const ofField = ({ id, name }: { id: string; name: string }): Wrong[] => {
    const words = own[id]?.message
    return words ? [{ box: id, path: `text.${id}`, label: name, words }] : []
  }
  return [
    ...rows.flat().flatMap(({ field }) => ofField(field)),
    ...insets.flatMap(({ link, table, fields }) => [
      ...lackIn(link.id, plural(table.name), all[link.id]),
      ...[...(all[link.id] ?? [])].flatMap((row, at) =>
        fields.flatMap(({ id, name }): Wrong[] => {
          const words = row?.text?.[id]?.message
          if (!words) return []
          const label = `${tableOf(book, table.id).name} ${at + 1}, ${name}`
          return [{ box: cellId(link.id, at, id), path: `insets.${link.id}.${at}.text.${id}`, label, words }]
        }),
      ),
    ]),
    ...foot.flatMap(ofField),
  ]
}

/** The boxes that a form has, and the columns of the rows in it: as `placeOf` names them. */
export function seenIn(book: Book, tableId: string, lines: FormLines): ReadonlySet<string> {
  const { insets } = formLayout(book, tableId)
  const parts = partsInOrder(lines)
  const columns = parts.flatMap((part) => {
    if (part.kind !== 'rows') return []
    const inset = insets.find(({ link }) => link.id === part.id)
    return inset ? rowColumns(inset, part).map(({ id }) => `${inset.link.id} ${id}`) : []
  })
  return new Set([...onForm(lines), ...columns])
}

/** What a wrong is marked at: a field, the rows of a link, or a column of them. */
export function placeOf({ path }: Pick<Wrong, 'path'>): string {
  const [list, id = '', , , column] = path.split('.')
  return list === 'insets' && column !== undefined ? `${id} ${column}` : id
}

/** Says a wrong that has no box. */
export const sayUnseen = ({ label, words }: Wrong): string =>
  `${words.startsWith(label) ? words : `${label}: ${words}`} It isn’t on this form.`

function lackIn(link: string, label: string, errors: InsetErrors | undefined): Wrong[] {
  const words = errors?.root?.message
  return words ? [{ box: addId(link), path: `insets.${link}.root`, label, words }] : []
}

/** Puts the focus on the first box that is marked wrong, once the marks are drawn; on what is said of the whole where there is none. */
export function focusFirst(frame: HTMLElement | null): void {
  setTimeout(() => {
    const wanted =
      frame?.querySelector<HTMLElement>('[aria-invalid="true"], [data-lacks]') ??
      frame?.querySelector<HTMLElement>('[data-whole]')
    wanted?.focus({ preventScroll: true })
    wanted?.scrollIntoView({ block: 'center' })
  })
}
