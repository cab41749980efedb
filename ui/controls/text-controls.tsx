'use client'

import { CalendarDays } from 'lucide-react'
import { type ClipboardEvent, useRef } from 'react'
import { toast } from 'sonner'
import { fieldKinds } from '@/core/kinds'
import { formatTyping } from '@/core/patterns'
import { wordProblem } from '@/core/words'
import { ChoiceBox, classNames, PassageBox, TextBox, TickBox } from '../kit'
import { type ControlProps, noteFor } from './control'

// More than any field holds. A browser that must lay out megabytes of text stands still.
const pasteLimit = 100_000

/** Keeps a huge paste out, with words; what stood in the box stays. */
function guardPaste(event: ClipboardEvent): void {
  const length = event.clipboardData.getData('text/plain').length
  if (length <= pasteLimit) return
  event.preventDefault()
  toast(`${wordProblem({ kind: 'too-long', limit: pasteLimit, length })} It was not put in.`)
}

const box = (props: ControlProps) => ({
  onPaste: guardPaste,
  id: props.id,
  value: props.text,
  onBlur: props.onBlur,
  ...(props.invalid && { invalid: true }),
  ...(props.readOnly && { readOnly: true }),
  ...(props.compact && { quiet: true }),
  ...noteFor(props),
})

export function LineControl(props: ControlProps) {
  const { field, onText } = props
  const type = field.kind === 'email' ? 'email' : field.kind === 'phone' ? 'tel' : 'text'
  const before = useRef(props.text)
  const typed = (target: HTMLInputElement) => {
    const { pattern } = field
    const caret = target.selectionStart ?? target.value.length
    if (!pattern) return onText(target.value)
    const now = formatTyping(pattern, { text: target.value, caret }, before.current)
    before.current = now.text
    onText(now.text)
    // Once the page has drawn it; a letter that was filled in must not throw the caret to the end.
    requestAnimationFrame(() => document.activeElement === target && target.setSelectionRange(now.caret, now.caret))
  }
  // The browser's own checks would speak in its own words; only the keyboard on a tablet is wanted of the type.
  return (
    <TextBox
      {...box(props)}
      inputMode={type === 'text' ? 'text' : type}
      onFocus={() => (before.current = props.text)}
      onChange={(event) => typed(event.target)}
      className={field.kind === 'code' ? 'font-mono' : undefined}
    />
  )
}

export function PassageControl(props: ControlProps) {
  return (
    <PassageBox
      {...box(props)}
      rows={props.compact ? 1 : 3}
      style={props.tall ? { minHeight: `${props.tall * 1.5 + 0.875}em`, maxHeight: 'none' } : undefined}
      onChange={(event) => props.onText(event.target.value)}
    />
  )
}

export function NumberControl(props: ControlProps) {
  const unit = props.field.unit ?? (props.field.kind === 'money' && !props.compact ? props.look.currency : undefined)
  const before = props.field.kind === 'money'
  return (
    <span className="relative block">
      <TextBox
        {...box(props)}
        inputMode="decimal"
        onChange={(event) => props.onText(event.target.value)}
        className={classNames('text-right', unit && !props.compact && (before ? 'pl-7' : 'pr-12'))}
      />
      {unit && !props.compact && (
        <span
          aria-hidden
          className={classNames(
            'pointer-events-none absolute inset-y-0 flex items-center text-ash-6',
            before ? 'left-2.5' : 'right-2.5',
          )}
        >
          {unit}
        </span>
      )}
    </span>
  )
}

/** A day as text, with the browser's calendar one click away. */
export function DateControl(props: ControlProps) {
  const calendar = useRef<HTMLInputElement>(null)
  const withTime = props.field.kind === 'dateTime'
  const pick = (value: string) => {
    const kind = withTime ? fieldKinds.dateTime : fieldKinds.date
    if (value) props.onText(kind.show(value, props.field, props.look))
  }
  return (
    <span className="relative block">
      <TextBox
        {...box(props)}
        onChange={(event) => props.onText(event.target.value)}
        className={props.compact ? undefined : 'pr-8'}
      />
      {!props.readOnly && !props.compact && (
        <>
          <input
            ref={calendar}
            type={withTime ? 'datetime-local' : 'date'}
            tabIndex={-1}
            aria-hidden
            onChange={(event) => pick(event.target.value)}
            className="pointer-events-none absolute right-1 bottom-0 h-0 w-0 opacity-0"
          />
          <button
            type="button"
            tabIndex={-1}
            aria-label="Choose from a calendar"
            title="Choose from a calendar"
            onClick={() => calendar.current?.showPicker()}
            className="absolute inset-y-0 right-0 flex w-8 items-center justify-center rounded-md text-ash-6 hover:text-ink"
          >
            <CalendarDays size={15} aria-hidden />
          </button>
        </>
      )}
    </span>
  )
}

export function TickControl(props: ControlProps) {
  const yes = fieldKinds.tick.read(props.text || 'no', props.field, props.look)
  return (
    <span className={classNames('flex items-center', props.compact ? 'min-h-8 px-2.5' : 'min-h-8')}>
      <TickBox
        id={props.id}
        checked={yes.ok && yes.value === '1'}
        disabled={props.readOnly ?? false}
        {...(props.name && { name: props.name })}
        onChange={(now) => props.onText(now ? 'yes' : 'no')}
      />
    </span>
  )
}

export function ChoiceControl(props: ControlProps) {
  const { readOnly, ...rest } = box(props)
  const words = (props.field.choices ?? []).map((choice) => choice.word)
  return (
    <ChoiceBox {...rest} disabled={readOnly} onChange={(event) => props.onText(event.target.value)}>
      <option value="" />
      {words.map((word) => (
        <option key={word}>{word}</option>
      ))}
      {props.text && !words.includes(props.text) && <option value={props.text}>{props.text} (not a choice)</option>}
    </ChoiceBox>
  )
}

/** A score as a row of numbers where they fit, as a number box where they don't. */
export function MarkControl(props: ControlProps) {
  const scale = props.field.scale ?? 5
  if (scale > 7 || props.compact) return <NumberControl {...props} />
  const marks = Array.from({ length: scale }, (_, at) => String(at + 1))
  return (
    <span id={props.id} role="radiogroup" aria-label={props.name ?? props.field.name} className="flex flex-wrap gap-1">
      {marks.map((mark) => (
        <button
          key={mark}
          type="button"
          role="radio"
          aria-checked={props.text === mark}
          disabled={props.readOnly}
          tabIndex={props.text === mark || (!marks.includes(props.text) && mark === '1') ? 0 : -1}
          onBlur={props.onBlur}
          onClick={() => props.onText(props.text === mark ? '' : mark)}
          onKeyDown={(event) => {
            const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
            const next = marks.includes(event.key) ? event.key : by ? marks[marks.indexOf(props.text) + by] : undefined
            if (event.key === 'Backspace' || event.key === 'Delete') props.onText('')
            if (!next) return
            event.preventDefault()
            props.onText(next)
            ;(event.currentTarget.parentElement?.children[Number(next) - 1] as HTMLElement | undefined)?.focus()
          }}
          className={classNames(
            'min-h-8 min-w-7 flex-1 rounded-md border',
            props.text === mark
              ? 'border-spruce bg-spruce font-bold text-on-spruce'
              : 'border-ash-4 bg-paper hover:bg-ash-2',
          )}
        >
          {mark}
        </button>
      ))}
    </span>
  )
}

export function GivenControl(props: ControlProps) {
  return (
    <TextBox
      id={props.id}
      readOnly
      tabIndex={-1}
      value={props.text}
      placeholder="given on saving"
      aria-label={props.name}
      className="font-mono"
    />
  )
}
