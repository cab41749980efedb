'use client'

import { useState } from 'react'
import { Labelled, TextBox } from '@/ui/kit'

interface MillimetresProps {
  readonly label: string
  readonly id: string
  readonly value: number
  readonly least: number
  readonly most: number
  /** To the tenth; whole otherwise. */
  readonly tenths?: boolean
  readonly onChange: (value: number) => void
}

/** A measure; what is out of bounds is said and changes nothing. */
export function Millimetres({ label, id, value, least, most, tenths = false, onChange }: MillimetresProps) {
  const [typed, setTyped] = useState<string>()
  const isRight = (one: number) => (tenths ? Math.abs(one * 10 - Math.round(one * 10)) < 1e-9 : Number.isInteger(one))
  const number = typed === undefined ? value : Number(typed)
  const isFit = isRight(number) && number >= least && number <= most
  return (
    <div>
      <Labelled label={label} htmlFor={id}>
        <TextBox
          id={id}
          inputMode={tenths ? 'decimal' : 'numeric'}
          value={typed ?? String(value)}
          invalid={!isFit}
          onChange={(event) => {
            setTyped(event.target.value)
            const next = Number(event.target.value)
            if (event.target.value.trim() && isRight(next) && next >= least && next <= most) onChange(next)
          }}
          onBlur={() => isFit && setTyped(undefined)}
        />
      </Labelled>
      {!isFit && (
        <p className="text-[13px] text-ember">
          From {least} to {most}, {tenths ? 'to the tenth' : 'whole'}.
        </p>
      )}
    </div>
  )
}
