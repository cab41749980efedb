import { useCallback, useState } from 'react'
import type { List } from '@/core/book'
import { sameJson } from '@/core/words'

interface Steps {
  readonly past: readonly List[]
  readonly now: List
  readonly future: readonly List[]
}

/** How many changes of a list can be taken back. */
const most = 100

/** A list while it is put together: every change can be taken back, and made again. */
export function useDraftList(start: List) {
  const [{ past, now, future }, setSteps] = useState<Steps>({ past: [], now: start, future: [] })
  const step = useCallback(
    (to: (now: List) => List) =>
      setSteps((steps) => {
        const next = withoutBlanks(to(steps.now))
        if (sameJson(next, steps.now)) return steps
        return { past: [...steps.past, steps.now].slice(-most), now: next, future: [] }
      }),
    [],
  )
  const change = useCallback((to: Partial<List>) => step((now) => ({ ...now, ...to })), [step])
  /** Another in its place, with nothing of what it was. */
  const put = useCallback((list: List) => step(() => list), [step])
  const undo = useCallback(
    () =>
      setSteps((steps) => {
        const before = steps.past.at(-1)
        if (!before) return steps
        return { past: steps.past.slice(0, -1), now: before, future: [steps.now, ...steps.future] }
      }),
    [],
  )
  const redo = useCallback(
    () =>
      setSteps((steps) => {
        const [next, ...future] = steps.future
        return next ? { past: [...steps.past, steps.now], now: next, future } : steps
      }),
    [],
  )
  return { list: now, change, put, undo, redo, mayUndo: past.length > 0, mayRedo: future.length > 0 }
}

/** What is undefined isn't there, as in JSON. */
const withoutBlanks = (list: List): List =>
  Object.fromEntries(Object.entries(list).filter(([, value]) => value !== undefined)) as unknown as List
