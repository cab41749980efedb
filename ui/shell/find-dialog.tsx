'use client'

import { Command } from 'cmdk'
import { Dialog as Radix } from 'radix-ui'
import { FocusGoesBack } from '../kit'

interface FindRow {
  readonly id: string
  readonly words: string
  readonly hint?: string
  readonly pick: () => void
}

interface Props {
  readonly open: boolean
  readonly onClose: () => void
  readonly placeholder: string
  readonly nothing: string
  readonly groups: readonly { readonly head: string; readonly rows: readonly FindRow[] }[]
}

/** How well a row answers what was typed: its words begin so, one of them does, or it stands inside; then its hint. */
function fitness(_row: string, typed: string, [words = '', hint = '']: string[] = []): number {
  const wanted = typed.trim().toLowerCase()
  const [shown, said] = [words.toLowerCase(), hint.toLowerCase()]
  if (shown.startsWith(wanted)) return 1
  const all = wanted.split(/\s+/)
  const beginsIn = (text: string) =>
    all.every((word) => text.split(/[^\p{L}\p{N}]+/u).some((one) => one.startsWith(word)))
  if (beginsIn(shown)) return 0.8
  if (all.every((word) => shown.includes(word))) return 0.5
  return all.every((word) => `${shown} ${said}`.includes(word)) ? 0.3 : 0
}

/** "Find or do": type a few letters, go there or do it. */
export function FindDialog({ open, onClose, placeholder, nothing, groups }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <FocusGoesBack />
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(12_16_15/0.45)]" />
        <Radix.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="fixed top-[10vh] left-1/2 z-50 w-[min(620px,94vw)] -translate-x-1/2 overflow-hidden rounded-lg bg-paper shadow-float"
        >
          <Radix.Title className="sr-only">Find or do</Radix.Title>
          <Command loop label="Find or do" filter={fitness}>
            <Command.Input
              autoFocus
              placeholder={placeholder}
              className="w-full border-b border-ash-3 bg-paper px-4 py-3 text-base outline-none"
            />
            <Command.List className="max-h-[52vh] overflow-y-auto p-2 [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1.5 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:font-bold [&_[cmdk-group-heading]]:text-ash-6">
              <Command.Empty className="px-3 py-6 text-ash-6">{nothing}</Command.Empty>
              {groups.map((group) => (
                <Command.Group key={group.head} heading={group.head}>
                  {group.rows.map((row) => (
                    <Command.Item
                      key={row.id}
                      value={`${group.head} ${row.id}`}
                      keywords={[row.words, row.hint ?? '']}
                      onSelect={() => {
                        onClose()
                        row.pick()
                      }}
                      className="flex min-h-9 cursor-pointer items-center justify-between gap-4 rounded-md px-3 data-[selected=true]:bg-spruce-tint"
                    >
                      <span>{row.words}</span>
                      {row.hint && <span className="text-[13px] text-ash-6">{row.hint}</span>}
                    </Command.Item>
                  ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
