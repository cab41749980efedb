'use client'

import { useEffect } from 'react'
import { TickBox } from '@/ui/kit'
import { type Shown, useChanging } from './changing'

/** So many can be marked: what is done to them is done as one. */
const mostMarked = 500

/** Marks one record; what is marked is as it was last seen. */
export function MarkBox({ line, words }: { readonly line: Shown; readonly words: string }) {
  const changing = useChanging()
  const marked = changing?.marked.get(line.ref)
  const isOld = marked !== undefined && marked.rev !== line.rev
  useEffect(() => {
    if (isOld) changing?.mark([line], true)
    // Only when another state of it is seen.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isOld, line.rev])
  if (!changing) return null
  return (
    <span role="gridcell" className="absolute top-[3px] left-2.5 max-md:left-1">
      <TickBox
        id={`mark-${line.ref}`}
        name={`Mark ${words}`}
        checked={marked !== undefined}
        disabled={!marked && changing.marked.size >= mostMarked}
        onChange={(on) => changing.mark([line], on)}
      />
    </span>
  )
}

/** Marks all that have been read so far, or none. */
export function MarkAll({ lines }: { readonly lines: readonly Shown[] }) {
  const changing = useChanging()
  if (!changing || lines.length === 0) return null
  const some = lines.slice(0, mostMarked)
  const all = some.every(({ ref }) => changing.marked.has(ref))
  return (
    <span role="columnheader" className="absolute top-[4px] left-2.5 max-md:left-1">
      <TickBox
        id="mark-all"
        name={`Mark the ${some.length} records read so far`}
        checked={all}
        onChange={(on) => changing.mark(on ? some : [...changing.marked.values()], on)}
      />
    </span>
  )
}
