import type { ButtonHTMLAttributes, ReactNode } from 'react'
import { classNames } from './class-names'

const looks = {
  main: 'bg-spruce text-on-spruce border-spruce hover:bg-spruce-deep hover:border-spruce-deep',
  plain: 'bg-paper text-ink border-ash-4 hover:bg-ash-2',
  ember: 'bg-paper text-ember border-ember hover:bg-ember-tint',
}

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: keyof typeof looks
  readonly small?: boolean
  readonly keys?: string
}

/** What looks like a push button: a link that does something, too. */
export const buttonLook = (look: keyof typeof looks = 'plain', small?: boolean, more?: string) =>
  classNames(
    'inline-flex items-center justify-center gap-2 rounded-md border font-semibold whitespace-nowrap disabled:opacity-50 disabled:pointer-events-none',
    small ? 'min-h-7 px-2.5 text-[13px]' : 'min-h-9 px-3.5',
    looks[look],
    more,
  )

/** A push button. `keys` shows the shortcut beside the words. */
export function Button({ look = 'plain', small, keys, className, children, ...rest }: Props) {
  return (
    <button type="button" {...rest} className={buttonLook(look, small, className)}>
      {children}
      {keys && <kbd className="font-mono text-xs font-normal opacity-80">{keys}</kbd>}
    </button>
  )
}

interface WordProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly quiet?: boolean
  readonly children: ReactNode
}

/** An action that reads as a word in a sentence or a row. */
export function WordButton({ quiet, className, children, ...rest }: WordProps) {
  return (
    <button
      type="button"
      {...rest}
      className={classNames(
        'inline-flex min-h-7 items-center rounded-sm px-1 underline underline-offset-2 disabled:opacity-50',
        quiet ? 'text-ash-6 hover:text-ink' : 'font-semibold text-spruce hover:text-spruce-deep',
        className,
      )}
    >
      {children}
    </button>
  )
}

interface IconProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** What it does, for those who don't see the picture; also shown on pointing. */
  readonly label: string
}

export function IconButton({ label, className, children, ...rest }: IconProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      {...rest}
      className={classNames(
        'inline-flex size-7 items-center justify-center rounded-md text-ash-6 hover:bg-ash-2 hover:text-ink disabled:opacity-40',
        className,
      )}
    >
      {children}
    </button>
  )
}
