'use client'

import { Minus, Plus } from 'lucide-react'
import { IconButton } from '@/ui/kit'

interface CountedProps {
  readonly label: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly onChange: (value: number) => void
}

/** A small number, one more or one less at a press. */
export const Counted = ({ label, value, least, most, onChange }: CountedProps) => (
  <div className="flex flex-wrap items-center gap-1.5">
    <span className="text-ash-6">{label}</span>
    <IconButton label={`${label}: one less`} disabled={value <= least} onClick={() => onChange(value - 1)}>
      <Minus size={14} aria-hidden />
    </IconButton>
    <span>{value === 0 ? 'as usual' : value}</span>
    <IconButton label={`${label}: one more`} disabled={value >= most} onClick={() => onChange(value + 1)}>
      <Plus size={14} aria-hidden />
    </IconButton>
  </div>
)
