import type { ReactNode } from 'react'
import { Ember } from './ember'

/** The quiet page before one is inside: one card, one thing to do. */
export function Threshold({
  head,
  say,
  children,
}: {
  readonly head: string
  readonly say: ReactNode
  readonly children: ReactNode
}) {
  return (
    <main className="flex min-h-full items-center justify-center bg-ash-1 p-6">
      <div className="w-full max-w-[420px]">
        <p className="mb-5 flex items-center gap-2 font-bold">
          <Ember /> Hearth Table
        </p>
        <div className="rounded-lg border border-ash-3 bg-paper p-6">
          <h1 className="text-[22px] leading-tight">{head}</h1>
          <p className="mt-1 mb-5 text-ash-6">{say}</p>
          {children}
        </div>
      </div>
    </main>
  )
}
