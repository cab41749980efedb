import type { ReactNode } from 'react'
import { classNames } from './class-names'

const looks = {
  ash: 'bg-ash-2 text-ash-6',
  brass: 'bg-brass-tint text-brass',
  sky: 'bg-sky-tint text-sky',
  spruce: 'bg-spruce-tint text-spruce',
  ember: 'bg-ember-tint text-ember',
}

export function Tag({ look = 'ash', children }: { readonly look?: keyof typeof looks; readonly children: ReactNode }) {
  return (
    <span
      className={classNames(
        'inline-flex items-center rounded-sm px-1.5 py-px text-[13px] whitespace-nowrap',
        looks[look],
      )}
    >
      {children}
    </span>
  )
}
