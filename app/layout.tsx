import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource-variable/noto-sans'
import './globals.css'
import type { Metadata } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { Announcer } from '@/ui/shell/announcer'

export const metadata: Metadata = { title: { default: 'Hearth Table', template: '%s · Hearth Table' } }

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const theme = (await cookies()).get('hearth-theme')?.value
  const chosen = theme === 'light' || theme === 'dark' ? theme : undefined
  return (
    <html lang="en-GB" data-theme={chosen}>
      <body>
        {children}
        <Announcer />
      </body>
    </html>
  )
}
