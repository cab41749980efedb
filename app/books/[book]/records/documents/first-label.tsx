'use client'

import { useState } from 'react'
import type { Labels } from '@/core/book'
import { Labelled, TextBox } from '@/ui/kit'

interface Props {
  readonly labels: Labels
  readonly value: number
  readonly onChange: (first: number) => void
}

/** With which label of the first sheet it begins: others may be used up. Typed, or pressed on the sheet. */
export function FirstLabel({ labels: { across, down }, value, onChange }: Props) {
  const [typed, setTyped] = useState<string>()
  const most = across * down
  const number = typed === undefined ? value : Number(typed)
  const isFit = Number.isInteger(number) && number >= 1 && number <= most
  return (
    <section aria-label="Where labels begin" className="flex flex-col gap-2">
      <Labelled label={`Begin at label, of ${most}`} htmlFor="first-label">
        <TextBox
          id="first-label"
          inputMode="numeric"
          value={typed ?? String(value)}
          invalid={!isFit}
          onChange={(event) => {
            setTyped(event.target.value)
            const next = Number(event.target.value)
            if (event.target.value.trim() && Number.isInteger(next) && next >= 1 && next <= most) onChange(next)
          }}
          onBlur={() => isFit && setTyped(undefined)}
        />
      </Labelled>
      {!isFit && <p className="text-[13px] text-ember">From 1 to {most}, whole.</p>}
      {/* The box above does the same from the keyboard. */}
      <div
        aria-hidden
        className="grid gap-[3px] rounded-sm border border-ash-4 bg-paper p-1.5"
        style={{ gridTemplateColumns: `repeat(${across}, 1fr)` }}
      >
        {Array.from({ length: most }, (_, at) => (
          <button
            key={at}
            type="button"
            tabIndex={-1}
            onClick={() => {
              setTyped(undefined)
              onChange(at + 1)
            }}
            className={at + 1 < value ? 'h-3 rounded-[2px] bg-ash-3' : 'h-3 rounded-[2px] bg-spruce hover:opacity-80'}
          />
        ))}
      </div>
    </section>
  )
}
