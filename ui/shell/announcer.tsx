'use client'

import { Toaster } from 'sonner'

/** Where short messages appear and are read out. */
export function Announcer() {
  return (
    <Toaster
      position="bottom-center"
      duration={6000}
      closeButton
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'on-soot flex w-[min(480px,90vw)] items-center gap-3 rounded-lg bg-soot px-4 py-3 text-on-soot shadow-float',
          actionButton: 'ml-auto rounded-md px-2 min-h-7 font-semibold text-bright-brass underline underline-offset-2',
          closeButton: 'hidden',
        },
      }}
    />
  )
}
