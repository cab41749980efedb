import type { ReactNode } from 'react'
import { classNames } from './class-names'

const marks = {
  settle: { sign: '!', words: 'Must be settled', look: 'bg-ember text-paper' },
  look: { sign: '?', words: 'Worth a look', look: 'bg-bright-brass text-[#1d2422]' },
  fine: { sign: '✓', words: 'Fine', look: 'bg-spruce text-on-spruce' },
  info: { sign: 'i', words: 'For information', look: 'bg-ash-3 text-ink' },
}

interface Props {
  readonly mark: keyof typeof marks
  readonly head: ReactNode
  readonly children?: ReactNode
  readonly actions?: ReactNode
}

/** A note in the margin: a mark, one bold line, one plain sentence, at most two actions. */
export function Note({ mark, head, children, actions }: Props) {
  const { sign, words, look } = marks[mark]
  return (
    <div className="relative flex gap-2.5 rounded-lg border border-ash-3 bg-paper p-2.5 text-[13px]">
      <span
        aria-hidden
        className={classNames(
          'mt-px flex size-[18px] shrink-0 items-center justify-center rounded-full text-xs font-bold',
          look,
        )}
      >
        {sign}
      </span>
      <div className="min-w-0">
        <p className="font-bold break-words">
          <span className="sr-only">{words}: </span>
          {head}
        </p>
        {children && <div className="text-ash-6 break-words">{children}</div>}
        {actions && <div className="-ml-1 flex flex-wrap gap-x-2">{actions}</div>}
      </div>
    </div>
  )
}
