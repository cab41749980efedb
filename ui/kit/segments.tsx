'use client'

import { RadioGroup } from 'radix-ui'
import { classNames } from './class-names'

interface Props<T extends string> {
  readonly label: string
  readonly value: T | undefined
  readonly options: readonly { readonly value: T; readonly words: string }[]
  readonly onChange: (value: T) => void
  readonly small?: boolean
}

const arrows: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/** A few answers side by side, of which one holds. The arrow keys choose, as in every group of choices. */
export function Segments<T extends string>({ label, value, options, onChange, small }: Props<T>) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value ?? null}
      onValueChange={(next) => onChange(next as T)}
      onKeyDown={({ key, target }) => {
        // At once: the focus follows a moment later, when a key struck briefly is up again.
        const at = options.findIndex((option) => option.value === (target as HTMLButtonElement).value)
        const by = arrows[key]
        if (by && at >= 0) onChange(options.at((at + by) % options.length)!.value)
      }}
      className="relative inline-flex w-fit self-start overflow-hidden rounded-md border border-ash-4 bg-paper"
    >
      {options.map((option) => (
        <RadioGroup.Item
          key={option.value}
          value={option.value}
          className={classNames(
            'border-l border-ash-4 first:border-l-0 focus-visible:-outline-offset-2 data-[state=checked]:bg-spruce data-[state=checked]:font-semibold data-[state=checked]:text-on-spruce data-[state=unchecked]:hover:bg-ash-2',
            small ? 'min-h-7 px-2.5 text-[13px]' : 'min-h-8 px-3.5',
          )}
        >
          {option.words}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  )
}
