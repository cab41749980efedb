'use client'

import { PanelRightClose, PanelRightOpen } from 'lucide-react'
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { classNames, IconButton } from '../kit'

interface Props {
  readonly index?: ReactNode
  readonly indexLabel?: string
  readonly margin?: ReactNode
  readonly marginLabel?: string
  /** Without padding, for a sheet that fills its place. */
  readonly bare?: boolean
  readonly children: ReactNode
}

/** Index, sheet and margin: the bones of every page inside a book. The margin folds, by itself on narrow windows. */
export function Room({ index, indexLabel = 'Index', margin, marginLabel = 'In the margin', bare, children }: Props) {
  const [folded, setFolded] = useState(false)
  return (
    <div className="flex min-h-0 flex-1">
      {index && (
        <nav
          aria-label={indexLabel}
          tabIndex={-1}
          className="w-[212px] shrink-0 overflow-x-hidden overflow-y-auto border-r border-ash-3 bg-ash-2 py-3.5 max-md:w-[150px]"
        >
          {index}
        </nav>
      )}
      <main
        id="sheet"
        tabIndex={-1}
        className={classNames(
          'relative min-w-0 flex-1 overflow-y-auto bg-paper outline-none',
          !bare && 'px-6 pt-5 pb-16 max-md:px-3',
        )}
      >
        {children}
      </main>
      {margin && (
        <aside
          aria-label={marginLabel}
          className={classNames(
            'flex shrink-0 flex-col gap-2.5 overflow-y-auto border-l border-ash-3 bg-ash-1 py-3.5',
            folded ? 'w-10 px-1.5' : 'w-[276px] px-3.5 max-lg:hidden',
          )}
        >
          <div className="flex items-center justify-between">
            {!folded && <h2 className="text-xs text-ash-6">{marginLabel}</h2>}
            <IconButton
              label={folded ? 'Unfold the margin' : 'Fold the margin away'}
              onClick={() => setFolded(!folded)}
              aria-expanded={!folded}
            >
              {folded ? <PanelRightOpen size={16} aria-hidden /> : <PanelRightClose size={16} aria-hidden />}
            </IconButton>
          </div>
          {!folded && margin}
        </aside>
      )}
    </div>
  )
}

interface RowProps {
  readonly here: boolean
  readonly count?: ReactNode
  readonly children: ReactNode
  readonly onPick: () => void
}

export function IndexHead({ children }: { readonly children: ReactNode }) {
  return <h2 className="px-3.5 pt-1 pb-1.5 text-xs text-ash-6 not-first:mt-4">{children}</h2>
}

/** One line of the index. */
export function IndexRow({ here, count, children, onPick }: RowProps) {
  const row = useRef<HTMLButtonElement>(null)
  // What is chosen stays in sight, however long the index is.
  useEffect(() => {
    if (here) row.current?.scrollIntoView({ block: 'nearest' })
  }, [here])
  return (
    <button
      ref={row}
      type="button"
      aria-current={here ? 'true' : undefined}
      onClick={onPick}
      className={classNames(
        'flex min-h-[34px] items-center justify-between gap-2 py-1 pr-3 text-left focus-visible:-outline-offset-2',
        here
          ? 'ml-3.5 w-[calc(100%-14px)] rounded-l-lg border-l-[3px] border-spruce bg-paper pl-[9px] font-bold'
          : 'w-full pl-[26px] hover:bg-ash-3',
      )}
    >
      <span className="min-w-0 break-words">{children}</span>
      {count !== undefined && <span className="text-xs font-normal text-ash-6">{count}</span>}
    </button>
  )
}
