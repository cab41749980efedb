'use client'

import { useSyncExternalStore } from 'react'

const query = '(min-width: 1024px)'

function listen(tell: () => void): () => void {
  const media = matchMedia(query)
  media.addEventListener('change', tell)
  return () => media.removeEventListener('change', tell)
}

/** Whether the window is wide enough for the margin to stand beside the sheet. */
export const useWide = (): boolean =>
  useSyncExternalStore(
    listen,
    () => matchMedia(query).matches,
    () => true,
  )
