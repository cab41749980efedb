import { useCallback, useSyncExternalStore } from 'react'

const never = () => () => undefined

/** A few words that this browser keeps by a name; none while the page still comes from the server. */
export function useKept(name: string): [string | undefined, (words: string) => void] {
  const kept = useSyncExternalStore(
    never,
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
    },
    [name],
  )
  return [kept ?? undefined, keep]
}
