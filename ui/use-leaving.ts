import { useEffect } from 'react'

/** While something is still on its way to be saved, the browser asks before the page is left. */
export function useLeaving(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [unsaved])
}
