import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  readonly onSelect: () => void
  /** A few words more on what it does. */
  readonly say?: string | undefined
  readonly disabled?: boolean | undefined
  readonly children: ReactNode
}

/** One thing to do, in a menu. */
export const MenuItem = ({ onSelect, say, disabled, children }: Props) => (
  <DropdownMenu.Item
    disabled={disabled ?? false}
    onSelect={onSelect}
    className="flex min-h-8 cursor-pointer flex-col justify-center rounded-sm px-2.5 py-1 outline-none data-[disabled]:cursor-default data-[disabled]:text-ash-5 data-[highlighted]:bg-ash-2"
  >
    <span>{children}</span>
    {say && <span className="text-[12.5px] text-ash-6">{say}</span>}
  </DropdownMenu.Item>
)
