'use client'

import { Check } from 'lucide-react'
import { Checkbox } from 'radix-ui'
import type { ReactNode } from 'react'
import { classNames } from './class-names'

interface Props {
  readonly id: string
  readonly checked: boolean
  readonly onChange: (checked: boolean) => void
  readonly label?: ReactNode
  readonly name?: string
  readonly disabled?: boolean
}

/** A tick with its words beside it; the words tick it too. */
export function TickBox({ id, checked, onChange, label, name, disabled }: Props) {
  return (
    <span className="inline-flex min-h-7 items-center gap-2">
      <Checkbox.Root
        id={id}
        checked={checked}
        disabled={disabled ?? false}
        aria-label={label ? undefined : name}
        onCheckedChange={(now) => onChange(now === true)}
        className={classNames(
          'flex size-[18px] shrink-0 items-center justify-center rounded-sm border',
          checked ? 'border-spruce bg-spruce text-on-spruce' : 'border-ash-5 bg-paper',
          disabled && 'opacity-50',
        )}
      >
        <Checkbox.Indicator>
          <Check size={14} strokeWidth={3} aria-hidden />
        </Checkbox.Indicator>
      </Checkbox.Root>
      {label && (
        <label htmlFor={id} className="cursor-pointer">
          {label}
        </label>
      )}
    </span>
  )
}
