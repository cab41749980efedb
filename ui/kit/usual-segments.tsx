'use client'

import { Segments } from './segments'

interface Props<T extends string, Usual extends string> {
  readonly label: string
  readonly value: T | undefined
  /** What holds where nothing is said. */
  readonly usual: Usual
  readonly options: readonly (T | Usual)[]
  readonly onChange: (value: T | undefined) => void
}

/** A few answers under what they answer; the usual one is as good as none. */
export function UsualSegments<T extends string, Usual extends string>(props: Props<T, Usual>) {
  const { label, value, usual, options, onChange } = props
  const isOther = (answer: T | Usual): answer is T => answer !== usual
  return (
    <div>
      <p className="pb-1 text-ash-6">{label}</p>
      <Segments
        small
        label={label}
        value={value ?? usual}
        options={options.map((answer) => ({ value: answer, words: answer }))}
        onChange={(answer) => onChange(isOther(answer) ? answer : undefined)}
      />
    </div>
  )
}
