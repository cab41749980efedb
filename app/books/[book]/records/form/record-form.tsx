'use client'

import { Eye, Hourglass, Lock } from 'lucide-react'
import dynamic from 'next/dynamic'
import { type ReactNode, useEffect, useImperativeHandle, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { FormProvider, useForm } from 'react-hook-form'
import { toast } from 'sonner'
import type { Form } from '@/core/book'
import { shownLines } from '@/core/forms'
import { type FormText, formTextOf } from '@/core/records'
import type { LiveRecord } from '@/server/live'
import { officeNow } from '@/app/office-now'
import { freshId } from '@/ui/ids'
import { useRecords } from '../records-context'
import { FormDress } from './form-dress'
import { FormLinesOf } from './form-lines'
import { beginTyping, leaveFocus, takeFocus } from './own-page'
import { shownOfLinked, useLinkedValues } from './linked-values'
import { LiveFactsOf } from './live-facts'
import { formResolver, placeOf, sayUnseen, seenIn, type Wrong, wrongsIn } from './problems'
import { repeatValue } from './repeat-last'
import { useAsks } from './use-asks'
import { useMending } from './use-mending'
import { useSaving } from './use-saving'
import { useTyping } from './use-typing'

/** Comes with the first question; most records are saved without one. */
const SavingQuestion = dynamic(() => import('./saving-question').then((room) => room.SavingQuestion), { ssr: false })

export interface RecordFormHandle {
  readonly save: () => Promise<boolean>
  readonly isChanged: () => boolean
}

export interface FormState {
  readonly changed: boolean
  readonly busy: boolean
  readonly wrongs: readonly Wrong[]
}

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly onSaved: (record: LiveRecord) => void
  readonly handle: React.RefObject<RecordFormHandle | null>
  /** What a new record starts with besides its own starting values. */
  readonly begin?: FormText | undefined
  /** Inside another record's form: no drafts, no shortcuts. */
  readonly nested?: boolean
  readonly onState?: (state: FormState) => void
  readonly head?: ReactNode
  /** The form that was arranged; as the program lays it out where there is none. */
  readonly arranged?: Form | undefined
}

/** The form of one record with the rows inset in it, checked while typing and saved as one. */
export function RecordForm({
  tableId,
  stored: given,
  onSaved,
  handle,
  begin,
  nested = false,
  onState,
  head,
  arranged,
}: Props) {
  const { id, book, mayChange } = useRecords()
  const [now] = useState(officeNow)
  const lines = shownLines(book, tableId, arranged)
  // What somebody else saved meanwhile is what goes on from here, once it was chosen from.
  const [meanwhile, setMeanwhile] = useState<{ readonly before: LiveRecord | undefined; readonly theirs: LiveRecord }>()
  const stored = meanwhile && meanwhile.before === given ? meanwhile.theirs : given
  const starts = stored ? undefined : arranged?.starts
  const start = useMemo(
    () =>
      begun(begun(formTextOf(book, tableId, stored, now), starts && { text: starts, labels: {}, insets: {} }), begin),
    [book, tableId, stored, now, starts, begin],
  )
  const asks = useAsks(tableId, lines, arranged, now)
  const linkedFacts = useLinkedValues(shownOfLinked(lines, asks.conditions))
  const around = { stored, linked: linkedFacts.linked }
  const form = useForm<FormText>({
    defaultValues: structuredClone<FormText>(start),
    resolver: formResolver(book, tableId, now, around, asks),
    mode: 'onTouched',
    shouldFocusError: false,
  })
  const closing = book.rules.filter((rule) => stored?.closedBy.includes(rule.id))
  const isClosed = (field?: string) =>
    closing.some(({ says }) => says.kind === 'closed' && (field ? !says.except.includes(field) : says.rows))
  const frame = useRef<HTMLFormElement>(null)
  const typing = useTyping(form, start, { book: id, table: tableId, row: stored?.row, frame, drafts: !nested })
  const ref = stored?.row.ref
  // A new record's own page takes the place of this one; one goes on typing there where one was.
  useLayoutEffect(() => {
    const own = frame.current
    if (nested) return
    if (ref === undefined) beginTyping(own)
    else takeFocus(ref)
    return () => leaveFocus(own)
  }, [nested, ref])
  const saving = useSaving({
    ...{ book, bookId: id, tableId, form, frame, stored, start, around, now, nested, onSaved },
    onSent: typing.sent,
  })
  const { whole, busy, send } = saving
  // Read here, because the form library only keeps up what a component reads while it draws.
  const { isDirty, errors } = form.formState
  const marked = wrongsIn(book, tableId, errors)
  // What isn't on this form can't be marked there; it is said of the whole.
  const seen = seenIn(book, tableId, lines)
  const said = [...whole, ...marked.filter((wrong) => !seen.has(placeOf(wrong))).map(sayUnseen)]
  const wrongs = [
    ...said.map((words): Wrong => ({ box: wholeBox, path: 'text.', label: '', words })),
    ...marked.filter((wrong) => seen.has(placeOf(wrong))),
  ]
  const told = JSON.stringify(wrongs)
  useMending(form, marked, asks)
  useEffect(
    () => onState?.({ changed: isDirty, busy, wrongs: JSON.parse(told) as Wrong[] }),
    [onState, isDirty, busy, told],
  )
  // What was chosen is sent once the form stands on what they saved.
  const chosen = useRef(false)
  useEffect(() => {
    if (!chosen.current) return
    chosen.current = false
    void send().then((saved) => saved && toast('Saved with what you chose.'))
  })

  useImperativeHandle(handle, () => ({ save: () => send(), isChanged: () => form.formState.isDirty }))

  return (
    <FormProvider {...form}>
      <form
        ref={frame}
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          event.stopPropagation()
          void send()
        }}
        onKeyDown={(event) => {
          if (event.altKey && event.key.toLowerCase() === 'r' && repeatValue(tableId, form, event.target))
            event.preventDefault()
        }}
        className="flex flex-col gap-4"
      >
        {/* A form with one box is sent by Enter; the first submit button decides how, so here it is. */}
        <button type="submit" hidden aria-hidden tabIndex={-1} />
        {head}
        {typing.found && isDirty && <DraftNote onDiscard={typing.takeBack} />}
        {!mayChange && !nested && (
          <p className="flex items-center gap-2 rounded-md bg-ash-2 px-3 py-1.5">
            <Eye size={14} aria-hidden className="flex-none" /> You can read the records of this book, not change them.
          </p>
        )}
        {closing.map((rule) => (
          <p key={rule.id} className="flex items-center gap-2 rounded-md bg-ash-2 px-3 py-1.5">
            <Lock size={14} aria-hidden className="flex-none" /> {rule.words}
          </p>
        ))}
        {saving.waiting && (
          <p role="status" className="flex items-center gap-2 rounded-md bg-brass-tint px-3 py-1.5 text-brass">
            <Hourglass size={14} aria-hidden className="flex-none" /> The book is being opened with a changed design.
            This record is saved as soon as that is done.
          </p>
        )}
        {said.length > 0 && (
          <div
            id={wholeBox}
            data-whole
            role="alert"
            tabIndex={-1}
            className="rounded-md border border-ember bg-ember-tint px-3 py-2"
          >
            {said.map((words) => (
              <p key={words}>{words}</p>
            ))}
          </div>
        )}
        <LiveFactsOf tableId={tableId} stored={stored} now={now} facts={linkedFacts} asks={asks}>
          <FormDress>
            <FormLinesOf
              lines={lines}
              at={{
                ...{ tableId, now, stored: stored !== undefined },
                isClosed: (field) => !mayChange || isClosed(field),
              }}
            />
          </FormDress>
        </LiveFactsOf>
      </form>
      {saving.question && (
        <SavingQuestion
          tableId={tableId}
          start={start}
          question={saving.question}
          onClose={() => saving.ask(undefined)}
          onSend={(wish) => {
            saving.ask(undefined)
            void send(wish)
          }}
          onLook={() => {
            saving.ask(undefined)
            linkedFacts.forget()
          }}
          onChoose={(text, theirs) => {
            saving.ask(undefined)
            typing.choose(text)
            setMeanwhile({ before: given, theirs })
            chosen.current = true
          }}
        />
      )}
    </FormProvider>
  )
}

const wholeBox = 'whole-record'

/** What a new record begins with laid over its own starting values. */
function begun(text: FormText, begin: FormText | undefined): FormText {
  if (!begin) return text
  const insets = Object.entries(begin.insets).map(([link, rows]): [string, FormText['insets'][string]] => [
    link,
    rows.map((row) => ({ ...row, mark: freshId() })),
  ])
  return {
    text: { ...text.text, ...begin.text },
    labels: { ...text.labels, ...begin.labels },
    insets: { ...text.insets, ...Object.fromEntries(insets) },
  }
}

function DraftNote({ onDiscard }: { readonly onDiscard: () => void }) {
  return (
    <p className="flex flex-wrap items-center justify-between gap-2 rounded-md bg-brass-tint px-3 py-1.5 text-brass">
      This isn’t saved yet. It stands here as you left it.
      <button
        type="button"
        onClick={onDiscard}
        className="min-h-7 rounded-sm px-1 font-semibold underline underline-offset-2"
      >
        Discard it
      </button>
    </p>
  )
}
