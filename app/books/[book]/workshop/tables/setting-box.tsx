'use client'

import { useState } from 'react'
import { Labelled, TextBox } from '@/ui/kit'

interface Props {
  readonly id: string
  readonly label: string
  readonly text: string
  readonly placeholder?: string
  readonly numeric?: boolean
  /** Keeps what was typed; what is refused goes back to what was there. */
  readonly onKeep: (text: string) => boolean
}

/** One setting, kept with Enter or when the box is left; Escape goes back. */
export function SettingBox({ id, label, text, placeholder, numeric, onKeep }: Props) {
  const [typed, setTyped] = useState<string>()
  const keep = () => {
    if (typed !== undefined && typed.trim() !== text) onKeep(typed.trim())
    setTyped(undefined)
  }
  return (
    <Labelled label={label} htmlFor={id}>
      <TextBox
        id={id}
        value={typed ?? text}
        placeholder={placeholder}
        inputMode={numeric ? 'numeric' : undefined}
        onChange={(event) => setTyped(numeric ? event.target.value.replace(/\D/g, '').slice(0, 4) : event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep()
          if (event.key === 'Escape') setTyped(undefined)
        }}
      />
    </Labelled>
  )
}
