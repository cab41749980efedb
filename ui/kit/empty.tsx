import type { ReactNode } from 'react'

/** What a screen says while there is nothing on it: what to do first. */
export function Empty({
  head,
  children,
  action,
}: {
  readonly head: string
  readonly children?: ReactNode
  readonly action?: ReactNode
}) {
  return (
    <div className="flex flex-col items-start gap-3 rounded-lg border border-dashed border-ash-4 px-6 py-8">
      <div className="max-w-[60ch]">
        <p className="text-base font-bold">{head}</p>
        {children && <div className="mt-1 text-ash-6">{children}</div>}
      </div>
      {action}
    </div>
  )
}
