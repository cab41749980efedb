'use client'

import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceAround,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceAround,
  Pin,
  PinOff,
  SquareDashed,
} from 'lucide-react'
import { useState } from 'react'
import type { Alignment } from '@/core/map'
import { IconButton } from '@/ui/kit'
import { AreaDialog } from './area-dialog'

interface Props {
  readonly count: number
  readonly pinned: boolean
  readonly tables: readonly string[]
  readonly onArrange: (how: Alignment | 'across' | 'down') => void
  readonly onPin: (pinned: boolean) => void
}

const ways = [
  ['left', 'Line up on the left', AlignStartVertical],
  ['centre', 'Line up on their middles, one above the other', AlignCenterVertical],
  ['right', 'Line up on the right', AlignEndVertical],
  ['top', 'Line up on the top', AlignStartHorizontal],
  ['middle', 'Line up on their middles, side by side', AlignCenterHorizontal],
  ['bottom', 'Line up on the bottom', AlignEndHorizontal],
] as const
const spaces = [
  ['across', 'The same space between them, across', AlignHorizontalSpaceAround],
  ['down', 'The same space between them, down', AlignVerticalSpaceAround],
] as const

/** What can be done with the chosen cards. At the top, because messages come up at the bottom. */
export function ArrangeBar({ count, pinned, tables, onArrange, onPin }: Props) {
  const [area, setArea] = useState(false)
  return (
    <div
      role="toolbar"
      aria-label="The chosen cards"
      className="absolute top-3 left-1/2 z-10 flex -translate-x-1/2 items-center gap-0.5 rounded-lg bg-paper px-2 py-1 shadow-float"
    >
      <span className="px-1.5 text-[13px] text-ash-6">{count} chosen</span>
      {count > 1 &&
        ways.map(([how, label, Icon]) => (
          <IconButton key={how} label={label} onClick={() => onArrange(how)}>
            <Icon size={16} aria-hidden />
          </IconButton>
        ))}
      {count > 2 &&
        spaces.map(([how, label, Icon]) => (
          <IconButton key={how} label={label} onClick={() => onArrange(how)}>
            <Icon size={16} aria-hidden />
          </IconButton>
        ))}
      <IconButton
        label={pinned ? 'Release it: tidying may move it' : 'Pin: tidying leaves it here'}
        onClick={() => onPin(!pinned)}
      >
        {pinned ? <PinOff size={16} aria-hidden /> : <Pin size={16} aria-hidden />}
      </IconButton>
      <IconButton label="Make an area of them" onClick={() => setArea(true)}>
        <SquareDashed size={16} aria-hidden />
      </IconButton>
      {area && <AreaDialog tables={tables} onClose={() => setArea(false)} />}
    </div>
  )
}
