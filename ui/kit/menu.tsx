'use client'

import Link from 'next/link'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  /** The button that opens it. */
  readonly trigger: ReactNode
  readonly children: ReactNode
}

/** Things to do, beneath the button that shows them. */
export const Menu = ({ trigger, children }: Props) => (
  <DropdownMenu.Root>
    <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        align="end"
        sideOffset={6}
        className="z-40 max-h-[60vh] max-w-[420px] min-w-[200px] overflow-y-auto rounded-lg bg-paper p-1.5 shadow-float"
      >
        {children}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
)

interface LinkProps {
  readonly href: string
  readonly say?: string | undefined
  readonly children: ReactNode
}

/** Somewhere to go, in a menu. */
export const MenuLink = ({ href, say, children }: LinkProps) => (
  <DropdownMenu.Item
    asChild
    className="flex min-h-8 cursor-pointer flex-col justify-center rounded-sm px-2.5 py-1 outline-none data-[highlighted]:bg-ash-2"
  >
    <Link href={href}>
      <span>{children}</span>
      {say && <span className="text-[12.5px] text-ash-6">{say}</span>}
    </Link>
  </DropdownMenu.Item>
)

/** What the next few things in a menu have in common. */
export const MenuHead = ({ children }: { readonly children: ReactNode }) => (
  <DropdownMenu.Label className="px-2.5 pt-2 pb-0.5 text-xs text-ash-6">{children}</DropdownMenu.Label>
)

export const MenuLine = () => <DropdownMenu.Separator className="my-1 border-t border-ash-3" />
