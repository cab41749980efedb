'use client'

import { Hourglass, Lock } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { type ReactNode, useEffect, useImperativeHandle, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { FormProvider, useForm } from 'react-hook-form'
import { toast } from 'sonner'
import { tableOf } from '@/core/book'
import { changedRecord, checkForm, type FormText, formLayout, formTextOf } from '@/core/records'
import { wordProblem } from '@/core/words'
import type { LiveRecord } from '@/server/live'
import { useDesk } from '../desk-context'
import { type Clash, ConflictDialog } from './conflict-dialog'
import { FieldCell } from './field-cell'
import { FormFoot } from './form-foot'
import { InsetGrid } from './inset-grid'
import { LiveFactsOf } from './live-facts'
import { useLinkedValues } from './linked-values'
import { officeNow } from '@/app/office-now'
import { beginTyping, expectOwnPage, leaveFocus, takeFocus } from './keep-focus'
import { focusFirst, formResolver, problemPaths } from './problems'
import { repeatValue, rememberLast } from './repeat-last'
import { saveWhenOpen } from './save-when-open'
import { useTyping } from './use-typing'
import { WarningDialog } from './warning-dialog'

export interface RecordFormHandle {
  readonly save: () => Promise<boolean>
  readonly isChanged: () => boolean
}

interface Props {
  readonly tableId: string
  readonly stored: LiveRecord | undefined
  readonly onSaved: (record: LiveRecord) => void
  readonly handle: React.RefObject<RecordFormHandle | null>
  /** What a new record starts with besides its own starting values. */
  readonly begin?: { readonly text: Record<string, string>; readonly labels: Record<string, string> } | undefined
  /** Inside another record's form: no drafts, no shortcuts. */
  readonly nested?: boolean
  readonly onState?: (state: { changed: boolean; busy: boolean; wrong: number }) => void
  readonly head?: ReactNode
}

/** The form of one record with the rows inset in it, checked while typing and saved as one. */
export function RecordForm({ tableId, stored, onSaved, handle, begin, nested, onState, head }: Props) {
  const { id, book, mayChange } = useDesk()
  const [now] = useState(officeNow)
  const layout = useMemo(() => formLayout(book, tableId), [book, tableId])
  const start = useMemo((): FormText => {
    const text = formTextOf(book, tableId, stored, now)
    return begin
      ? { ...text, text: { ...text.text, ...begin.text }, labels: { ...text.labels, ...begin.labels } }
      : text
  }, [book, tableId, stored, now, begin])
  const linkedFacts = useLinkedValues()
  const around = { stored, linked: linkedFacts.linked }
  const form = useForm<FormText>({
    defaultValues: structuredClone(start) as FormText,
    resolver: formResolver(book, tableId, now, around),
    mode: 'onTouched',
    shouldFocusError: false,
  })
  const closing = book.rules.filter((rule) => stored?.closedBy.includes(rule.id))
  const isClosed = (field?: string) =>
    closing.some(({ says }) => says.kind === 'closed' && (field ? !says.except.includes(field) : says.rows))
  const [whole, setWhole] = useState<readonly string[]>([])
  const [clash, setClash] = useState<Clash>()
  const [warned, setWarned] = useState<Warned>()
  const [busy, setBusy] = useState(false)
  const [waiting, setWaiting] = useState(false)
  const router = useRouter()
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
  // Read here, because the form library only keeps up what a component reads while it draws.
  const { isDirty, errors } = form.formState
  const wrong = problemPaths(errors).length + whole.length

  useEffect(() => onState?.({ changed: isDirty, busy, wrong }), [onState, isDirty, busy, wrong])

  async function send(revs?: Clash['revs'], despite: readonly string[] = []): Promise<boolean> {
    // A copy: typing goes on while it is on its way.
    const text = structuredClone(form.getValues())
    const checked = checkForm(book, tableId, text, now, around)
    await form.trigger()
    setWhole([])
    if (!checked.sound) {
      focusFirst(frame.current)
      return false
    }
    const { values, children, places } = changedRecord(book, tableId, stored && start, text, checked, now)
    setBusy(true)
    let waited = false
    const request = {
      table: tableId,
      ref: stored?.row.ref ?? null,
      rev: revs?.own ?? stored?.row.rev ?? null,
      values,
      children: children.map((child) => ({
        ...child,
        rows: child.rows.map((row) => ({ ...row, rev: revs?.rows.get(row.ref ?? '') ?? row.rev })),
      })),
      ...(despite.length > 0 && { despite: [...despite] }),
    }
    const result = await saveWhenOpen({ id, name: book.name }, request, () => setWaiting((waited = true))).catch(
      () => undefined,
    )
    setBusy(false)
    setWaiting(false)
    // The screen still shows the form as it was before.
    if (waited) router.refresh()
    if (!result?.ok) {
      setWhole([wordProblem(result?.problem ?? { kind: 'unexpected' })])
      return false
    }
    const outcome = result.value
    if (outcome.kind === 'waits') return false
    if (outcome.kind === 'conflict') {
      setClash({ by: outcome.by, theirs: outcome.theirs, mine: text, start })
      return false
    }
    if (outcome.kind === 'warned') {
      setWarned({ warnings: outcome.warnings, revs })
      return false
    }
    if (outcome.kind === 'refused') {
      setWhole(outcome.problems.whole.map(wordProblem))
      for (const [field, problem] of Object.entries(outcome.problems.fields))
        form.setError(`text.${field}`, { type: 'server', message: wordProblem(problem) })
      for (const [name, problems] of Object.entries(outcome.problems.rows)) {
        const [link, sent] = name.split('/')
        const at = places.find((place) => place.link === link && place.sent === Number(sent))?.at ?? 0
        for (const [field, problem] of Object.entries(problems)) {
          const words = wordProblem(problem)
          if (field) form.setError(`insets.${link!}.${at}.text.${field}`, { type: 'server', message: words })
          else setWhole((before) => [...before, words])
        }
      }
      setTimeout(() => focusFirst(frame.current))
      return false
    }
    typing.sent(text)
    rememberLast(tableId, text)
    if (!nested && outcome.record.row.ref !== stored?.row.ref) expectOwnPage(outcome.record.row.ref)
    onSaved(outcome.record)
    return true
  }

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
        {closing.map((rule) => (
          <p key={rule.id} className="flex items-center gap-2 rounded-md bg-ash-2 px-3 py-1.5">
            <Lock size={14} aria-hidden className="flex-none" /> {rule.words}
          </p>
        ))}
        {waiting && (
          <p role="status" className="flex items-center gap-2 rounded-md bg-brass-tint px-3 py-1.5 text-brass">
            <Hourglass size={14} aria-hidden className="flex-none" /> The book is being opened with a changed design.
            This record is saved as soon as that is done.
          </p>
        )}
        {whole.length > 0 && (
          <div role="alert" className="rounded-md border border-ember bg-ember-tint px-3 py-2">
            {whole.map((words) => (
              <p key={words}>{words}</p>
            ))}
          </div>
        )}
        <LiveFactsOf tableId={tableId} stored={stored} now={now} facts={linkedFacts}>
          {layout.rows.map((row) => (
            <div key={row[0]!.field.id} className="grid grid-cols-12 gap-x-3.5 gap-y-4">
              {row.map(({ field, span }) => (
                <FieldCell
                  key={field.id}
                  table={tableOf(book, tableId)}
                  field={field}
                  span={span}
                  stored={stored !== undefined}
                  readOnly={!mayChange || isClosed(field.id)}
                />
              ))}
            </div>
          ))}
          {layout.insets.map((inset) => (
            <InsetGrid key={inset.link.id} inset={inset} now={now} readOnly={!mayChange || isClosed()} />
          ))}
          {layout.foot.length > 0 && <FormFoot fields={layout.foot} />}
        </LiveFactsOf>
      </form>
      {warned && (
        <WarningDialog
          warnings={warned.warnings}
          onClose={() => setWarned(undefined)}
          onSave={() => {
            setWarned(undefined)
            void send(
              warned.revs,
              warned.warnings.map((warning) => warning.rule),
            )
          }}
        />
      )}
      {clash && (
        <ConflictDialog
          tableId={tableId}
          clash={clash}
          onClose={() => setClash(undefined)}
          onChoose={(text, revs) => {
            setClash(undefined)
            form.reset(text as FormText, { keepDefaultValues: true })
            void send(revs).then((saved) => saved && toast('Saved with what you chose.'))
          }}
        />
      )}
    </FormProvider>
  )
}

interface Warned {
  readonly warnings: readonly { readonly rule: string; readonly words: string }[]
  readonly revs: Clash['revs'] | undefined
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
        Take it back
      </button>
    </p>
  )
}
