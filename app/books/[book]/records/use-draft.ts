import { useCallback, useState } from 'react'
import { sameJson } from '@/core/words'

interface Steps<Part> {
  readonly past: readonly Part[]
  readonly now: Part
  readonly future: readonly Part[]
}

/** How many changes can be taken back. */
const most = 100

/** A list or a report while it is put together: every change can be taken back, and made again. */
export function useDraft<Part extends object>(start: Part) {
  const [{ past, now, future }, setSteps] = useState<Steps<Part>>({ past: [], now: start, future: [] })
  const step = useCallback(
    (to: (now: Part) => Part) =>
      setSteps((steps) => {
        const next = withoutBlanks(to(steps.now))
        if (sameJson(next, steps.now)) return steps
        return { past: [...steps.past, steps.now].slice(-most), now: next, future: [] }
      }),
    [],
  )
  const change = useCallback((to: Partial<Part>) => step((now) => ({ ...now, ...to })), [step])
  /** Another in its place, with nothing of what it was. */
  const put = useCallback((part: Part) => step(() => part), [step])
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
  return { now, change, put, undo, redo, mayUndo: past.length > 0, mayRedo: future.length > 0 }
}

/** What is undefined isn't there, as in JSON. */
const withoutBlanks = <Part extends object>(part: Part): Part =>
  Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined)) as Part
