import type { ReactNode } from 'react'
import { Button, buttonLook } from '@/ui/kit'

interface Props {
  readonly href: string | undefined
  readonly children: ReactNode
}

/** Goes to the PDF, in a window of its own, as soon as all pages are laid. */
export function PdfLink({ href, children }: Props) {
  if (!href) return <Button disabled>{children}</Button>
  return (
    <a href={href} className={buttonLook()} target="_blank" rel="noreferrer">
      {children}
    </a>
  )
}
