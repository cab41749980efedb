'use client'

import { ToggleGroup } from 'radix-ui'
import { classNames } from './class-names'

interface Props<T extends string> {
  readonly label: string
  readonly value: T | undefined
  readonly options: readonly { readonly value: T; readonly words: string }[]
  readonly onChange: (value: T) => void
  readonly small?: boolean
}

/** A few answers side by side, of which one holds. */
export function Segments<T extends string>({ label, value, options, onChange, small }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      onValueChange={(next) => next && onChange(next as T)}
      className="inline-flex w-fit self-start overflow-hidden rounded-md border border-ash-4 bg-paper"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className={classNames(
            'border-l border-ash-4 first:border-l-0 focus-visible:-outline-offset-2 data-[state=on]:bg-spruce data-[state=on]:font-semibold data-[state=on]:text-on-spruce data-[state=off]:hover:bg-ash-2',
            small ? 'min-h-7 px-2.5 text-[13px]' : 'min-h-8 px-3.5',
          )}
        >
          {option.words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
