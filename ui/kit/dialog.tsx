'use client'

import { X } from 'lucide-react'
import { Dialog as Radix } from 'radix-ui'
import { type ReactNode, useEffect, useState } from 'react'
import { IconButton } from './button'
import { classNames } from './class-names'
import { firstToFill } from './first-to-fill'

interface Props {
  readonly open: boolean
  readonly onClose: () => void
  readonly title: string
  readonly say?: ReactNode
  readonly wide?: boolean
  readonly children?: ReactNode
  readonly actions?: ReactNode
}

/** For what must be decided before going on. */
export function Dialog({ open, onClose, title, say, wide, children, actions }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <FocusGoesBack />
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(12_16_15/0.45)]" />
        <Radix.Content
          onOpenAutoFocus={(event) => {
            const dialog = event.currentTarget as HTMLElement
            // Without a box, the first thing to decide.
            const wanted = firstToFill(dialog) ?? dialog.querySelector<HTMLElement>('[data-actions] button')
            if (!wanted) return
            event.preventDefault()
            wanted.focus()
          }}
          // What had the focus before gets it back, below; there is no trigger that the dialog belongs to.
          onCloseAutoFocus={(event) => event.preventDefault()}
          {...(say ? {} : { 'aria-describedby': undefined })}
          className={classNames(
            'fixed top-[12vh] left-1/2 z-50 flex max-h-[80vh] w-[calc(100vw-32px)] -translate-x-1/2 flex-col rounded-lg bg-paper shadow-float',
            wide ? 'max-w-[860px]' : 'max-w-[480px]',
          )}
        >
          <div className="flex items-start justify-between gap-4 px-5 pt-4">
            <Radix.Title className="text-lg">{title}</Radix.Title>
            <Radix.Close asChild>
              <IconButton label="Close">
                <X size={16} aria-hidden />
              </IconButton>
            </Radix.Close>
          </div>
          <div className="overflow-y-auto px-5 pt-1 pb-4">
            {say && <Radix.Description className="text-ash-6">{say}</Radix.Description>}
            {children}
          </div>
          {actions && (
            <div data-actions className="flex flex-wrap justify-end gap-2 border-t border-ash-3 px-5 py-3">
              {actions}
            </div>
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}

/** There while a dialog is: what had the focus before gets it back, unless something else has taken it. */
export function FocusGoesBack() {
  const [before] = useState(() => document.activeElement)
  useEffect(
    () => () => {
      // The dialog is taken from the page after this; only then is it known where the focus is left.
      setTimeout(() => {
        if (document.activeElement === document.body && before instanceof HTMLElement) before.focus()
      })
    },
    [before],
  )
  return null
}
