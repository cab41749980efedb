'use client'

import type { CSSProperties, ReactNode } from 'react'
import { coloursOf, type FormLook } from '@/core/book'
import { useRecords } from '../records-context'

const rooms = { tight: '0.5rem', usual: '1rem', wide: '1.6rem' } as const
const letters = { small: 0.93, usual: 1, large: 1.14 } as const

/** A form in the look that all forms of the book share: its logo, colours, letters and room. */
export function FormDress({ look, children }: { readonly look?: FormLook | undefined; readonly children: ReactNode }) {
  const { book, base } = useRecords()
  const { logo, colours, letters: size, room } = look ?? book.formLook ?? {}
  const { light, dark } = coloursOf({ colours })
  const picture = logo && book.letterhead?.logo
  const dress = {
    '--form-room': rooms[room ?? 'usual'],
    ...(colours?.words && { '--form-words': `light-dark(${light.words}, ${dark.words})` }),
    ...(colours?.ground && { '--form-ground': `light-dark(${light.ground}, ${dark.ground})` }),
    ...(size && { zoom: letters[size] }),
  } as CSSProperties
  return (
    <div style={dress} className="flex flex-col gap-4">
      {picture && (
        // eslint-disable-next-line @next/next/no-img-element -- it is the office's own, and small
        <img
          src={`${base}/pictures/${picture.hash}`}
          alt=""
          className="max-h-10 max-w-[180px] self-end rounded-sm bg-white p-0.5"
        />
      )}
      {children}
    </div>
  )
}
