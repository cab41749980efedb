import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import type { UseFormReturn } from 'react-hook-form'
import type { Book } from '@/core/book'
import type { Now, Value } from '@/core/kinds'
import {
  type FormContext,
  asNew,
  type ChangedRow,
  changedRecord,
  type FormText,
  formLayout,
  liveValues,
  readForm,
} from '@/core/records'
import { wordProblem } from '@/core/words'
import type { LiveRecord, SaveOutcome } from '@/server/live'
import { settleBox } from '@/ui/controls'
import { expectOwnPage } from './own-page'
import { focusFirst } from './problems'
import { rememberLast } from './repeat-last'
import { saveWhenOpen } from './save-when-open'
import { allArrived } from './arriving'

/** The form of one record, as far as saving it goes. */
export interface Saving {
  readonly book: Book
  readonly bookId: string
  readonly tableId: string
  readonly form: UseFormReturn<FormText>
  readonly frame: React.RefObject<HTMLFormElement | null>
  readonly stored: LiveRecord | undefined
  readonly start: FormText
  readonly around: FormContext
  readonly now: Now
  readonly nested: boolean
  /** Hears what was sent, once it is saved. */
  readonly onSent: (text: FormText) => void
  readonly onSaved: (record: LiveRecord) => void
}

/** What a person is asked before it goes on. */
export type Question = Exclude<SaveOutcome, { kind: 'saved' | 'refused' | 'waits' }> & {
  /** What was typed when it was sent, and what had been agreed to by then. */
  readonly text: FormText
  readonly wish: SendWish
}

export interface SendWish {
  /** Rules that warn, and whose words were read. */
  readonly despite?: readonly string[]
  /** What was copied otherwise than shown has been seen. */
  readonly unseen?: boolean
  /** The record is gone; what is typed becomes a new one. */
  readonly anew?: boolean
}

/** Sends a form, puts what was refused where it belongs, and keeps what is to be asked. */
export function useSaving(saving: Saving) {
  const { form, frame, tableId, nested } = saving
  const [whole, setWhole] = useState<readonly string[]>([])
  const [question, setQuestion] = useState<Question>()
  const [busy, setBusy] = useState(false)
  const [waiting, setWaiting] = useState(false)
  const router = useRouter()

  // Pressed again while it waits for a file or an answer, it is the same save: a new record is made once.
  const underWay = useRef<Promise<boolean>>(undefined)
  function send(wish: SendWish = {}): Promise<boolean> {
    underWay.current ??= sendNow(wish).finally(() => {
      underWay.current = undefined
    })
    return underWay.current
  }

  async function sendNow(wish: SendWish): Promise<boolean> {
    const stored = wish.anew ? undefined : saving.stored
    // What is still being looked for, or a file that is on its way, belongs to what is saved.
    if (!(await settleBox(document.activeElement))) return false
    await allArrived(form.control)
    // A copy: typing goes on while it is on its way.
    const typed = structuredClone(form.getValues())
    const text = wish.anew ? asNew(typed) : typed
    if (wish.anew) form.reset(text, { keepDefaultValues: true })
    setWhole([])
    if (!(await form.trigger())) {
      focusFirst(frame.current)
      return false
    }
    const { request, places } = requestOf(saving, stored, text, wish)
    setBusy(true)
    let waited = false
    const book = { id: saving.bookId, name: saving.book.name }
    const result = await saveWhenOpen(book, request, () => setWaiting((waited = true))).catch(() => undefined)
    setBusy(false)
    setWaiting(false)
    // The screen still shows the form as it was before.
    if (waited) router.refresh()
    if (!result?.ok) {
      setWhole([wordProblem(result?.problem ?? { kind: 'unexpected' })])
      focusFirst(frame.current)
      return false
    }
    const outcome = result.value
    if (outcome.kind === 'waits') return false
    if (outcome.kind === 'refused') {
      setWhole([...new Set(putProblems(form, outcome.problems, places))])
      focusFirst(frame.current)
      return false
    }
    if (outcome.kind !== 'saved') {
      setQuestion({ ...outcome, text, wish })
      return false
    }
    saving.onSent(text)
    rememberLast(tableId, text)
    if (!nested && outcome.record.row.ref !== stored?.row.ref) expectOwnPage(outcome.record.row.ref)
    saving.onSaved(outcome.record)
    return true
  }

  return { send, whole, question, ask: setQuestion, busy, waiting }
}

function requestOf(
  { book, tableId, start, around, now }: Saving,
  stored: LiveRecord | undefined,
  text: FormText,
  { despite = [], unseen }: SendWish,
) {
  const checked = readForm(book, tableId, text, now)
  const { values, children, places } = changedRecord(book, tableId, stored && start, text, checked, now)
  const live = liveValues({ book, tableId, form: text, checked, stored, linked: () => undefined, ...around, now })
  const { insets } = formLayout(book, tableId)
  const rowsSent = children.map(({ link, rows }) => {
    const inset = insets.find((one) => one.link.id === link)
    const seenIn = (sent: number) => {
      const at = places.find((place) => place.link === link && place.sent === sent)?.at ?? -1
      return copiesShown(inset?.fields ?? [], live.rows[link]?.[at])
    }
    return { link, rows: rows.map((row, at): ChangedRow & Seen => ({ ...row, ...(!unseen && seenIn(at)) })) }
  })
  const table = book.tables.find(({ id }) => id === tableId)
  const request = {
    table: tableId,
    ref: stored?.row.ref ?? null,
    rev: stored?.row.rev ?? null,
    values,
    ...(!unseen && copiesShown(table?.fields ?? [], live.own)),
    children: rowsSent,
    ...(despite.length > 0 && { despite: [...despite] }),
  }
  return { request, places }
}

interface Seen {
  readonly seen?: Record<string, Value>
}

/** The copied facts as the form shows them; those that are still on their way aren't seen. */
function copiesShown(
  fields: readonly { readonly id: string; readonly kind: string }[],
  values: Readonly<Record<string, Value | undefined>> | undefined,
): Seen {
  const seen = fields.flatMap(({ id, kind }): [string, Value][] => {
    const value = values?.[id]
    return kind === 'copied' && value !== undefined ? [[id, value]] : []
  })
  return seen.length > 0 ? { seen: Object.fromEntries(seen) } : {}
}

type Refused = Extract<SaveOutcome, { kind: 'refused' }>['problems']
type Places = ReturnType<typeof changedRecord>['places']

/** Marks what the server refused; returns what is said of the whole. */
function putProblems(form: UseFormReturn<FormText>, problems: Refused, places: Places): string[] {
  const whole = problems.whole.map(wordProblem)
  for (const [field, problem] of Object.entries(problems.fields))
    form.setError(`text.${field}`, { type: 'server', message: wordProblem(problem) })
  for (const [name, ofRow] of Object.entries(problems.rows)) {
    const [link, sent] = name.split('/')
    const at = places.find((place) => place.link === link && place.sent === Number(sent))?.at ?? 0
    for (const [field, problem] of Object.entries(ofRow)) {
      const words = wordProblem(problem)
      if (field) form.setError(`insets.${link!}.${at}.text.${field}`, { type: 'server', message: words })
      else whole.push(words)
    }
  }
  return whole
}
