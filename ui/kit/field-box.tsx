import type { ComponentProps, ReactNode, SelectHTMLAttributes, TextareaHTMLAttributes } from 'react'
import { classNames } from './class-names'

const boxLook = (invalid?: boolean, quiet?: boolean) =>
  classNames(
    'w-full rounded-md border bg-paper px-2.5 py-1.5 text-ink disabled:bg-ash-2 disabled:text-ash-6',
    invalid
      ? 'border-ember outline-ember shadow-[inset_0_0_0_1px_var(--ember)]'
      : quiet
        ? 'border-transparent hover:border-ash-4'
        : 'border-ash-4',
  )

interface Boxed {
  readonly invalid?: boolean
  readonly quiet?: boolean
}

export function TextBox({ invalid, quiet, className, ...rest }: ComponentProps<'input'> & Boxed) {
  return (
    <input
      autoComplete="off"
      spellCheck={false}
      {...rest}
      aria-invalid={invalid || undefined}
      className={classNames(boxLook(invalid, quiet), 'min-h-8 read-only:bg-ash-2 read-only:text-ash-6', className)}
    />
  )
}

export function PassageBox({
  invalid,
  quiet,
  className,
  ...rest
}: TextareaHTMLAttributes<HTMLTextAreaElement> & Boxed) {
  return (
    <textarea
      rows={3}
      {...rest}
      aria-invalid={invalid || undefined}
      className={classNames(
        boxLook(invalid, quiet),
        'field-sizing-content max-h-80 min-h-16 resize-y read-only:bg-ash-2 read-only:text-ash-6',
        className,
      )}
    />
  )
}

export function ChoiceBox({
  invalid,
  quiet,
  className,
  children,
  ...rest
}: SelectHTMLAttributes<HTMLSelectElement> & Boxed) {
  return (
    <select
      {...rest}
      aria-invalid={invalid || undefined}
      className={classNames(boxLook(invalid, quiet), 'min-h-8 pr-1', className)}
    >
      {children}
    </select>
  )
}

interface LabelledProps {
  readonly label: ReactNode
  readonly htmlFor: string
  readonly hint?: ReactNode
  readonly problem?: string | undefined
  readonly must?: boolean
  readonly className?: string
  /** Where the label stands; above where nothing is said. */
  readonly labelled?: 'beside' | 'inside' | undefined
  readonly children: ReactNode
}

const labelLooks = {
  above: 'mb-1 block',
  beside: 'w-[38%] max-w-40 shrink-0 pt-1.5 pr-2 [overflow-wrap:anywhere]',
  // On the box's upper edge, cut out of it, so that it takes no line of its own and never lies over what is typed.
  inside:
    'absolute top-0 left-2 z-1 max-w-[calc(100%-1rem)] truncate bg-[linear-gradient(transparent_50%,var(--paper)_50%)] px-1 text-xs leading-4',
} as const

/** A control with its label and, below it, what is wrong or worth knowing. */
export function Labelled({ label, htmlFor, hint, problem, must, className, labelled, children }: LabelledProps) {
  const name = (
    <label htmlFor={htmlFor} className={classNames('text-[13px] text-ash-6', labelLooks[labelled ?? 'above'])}>
      {label}
      {must && (
        <span className="text-ash-5" title="Must be filled">
          {' '}
          *
        </span>
      )}
    </label>
  )
  return (
    <div className={classNames('min-w-0', labelled === 'inside' && 'relative pt-2', className)}>
      {labelled === 'beside' ? (
        <div className="flex items-start">
          {name}
          <div className="min-w-0 flex-1">{children}</div>
        </div>
      ) : (
        <>
          {name}
          {children}
        </>
      )}
      {problem ? (
        <p id={`${htmlFor}-note`} role="alert" className="mt-1 text-[13px] text-ember">
          {problem}
        </p>
      ) : (
        hint && (
          <p id={`${htmlFor}-note`} className="mt-1 text-xs text-ash-5">
            {hint}
          </p>
        )
      )}
    </div>
  )
}
