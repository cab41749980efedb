import { useCallback, useSyncExternalStore } from 'react'

const listeners = new Set<() => void>()

function listen(tell: () => void): () => void {
  listeners.add(tell)
  return () => listeners.delete(tell)
}

/** A few words that this browser keeps by a name; none while the page still comes from the server. */
export function useKept(name: string): [string | undefined, (words: string) => void] {
  const kept = useSyncExternalStore(
    listen,
    () => localStorage.getItem(name),
    () => null,
  )
  const keep = useCallback(
    (words: string) => {
      try {
        localStorage.setItem(name, words)
      } catch {
        // A browser that keeps nothing does without.
      }
      // Whoever else on the page reads it sees it at once.
      for (const tell of listeners) tell()
    },
    [name],
  )
  return [kept ?? undefined, keep]
}
