'use client'

import { Check, Keyboard, KeyRound, LogOut, Moon, Search, Sun, SunMoon } from 'lucide-react'
import Link from 'next/link'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { classNames } from '../kit'
import { Ember } from './ember'

export type Theme = 'light' | 'dark' | 'system'

interface Side {
  readonly title: string
  readonly href: string
  readonly here: boolean
}

interface Props {
  readonly book?: { readonly name: string; readonly others: readonly { readonly id: string; readonly name: string }[] }
  readonly sides?: readonly Side[]
  readonly account: string
  /** Stands beside finding. */
  readonly beside?: ReactNode
  readonly onFind?: () => void
  readonly onTheme: (theme: Theme) => void
  readonly onSignOut: () => void
  readonly onShortcuts?: () => void
}

const item = 'flex min-h-8 cursor-pointer items-center gap-2 rounded-sm px-2.5 outline-none data-[highlighted]:bg-ash-2'

/** The bar over everything: which book, which side of it, find or do, and who is here. */
export function TopBar({ book, sides, account, beside, onFind, onTheme, onSignOut, onShortcuts }: Props) {
  const initials = account
    .split(/\s+/)
    .map((word) => [...word][0])
    .slice(0, 2)
    .join('')
    .toUpperCase()
  return (
    <header className="on-soot flex h-11 shrink-0 items-center gap-4 bg-soot px-4 text-on-soot max-md:gap-2 max-md:px-2 max-sm:gap-1.5">
      {/* From the keyboard there are some twenty stops before the sheet; this one leads past them. */}
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-4 focus:z-50 focus:rounded-md focus:bg-paper focus:px-3 focus:py-1.5 focus:text-ink"
      >
        Skip to the page itself
      </a>
      <Link
        href="/books"
        className={classNames('flex items-center gap-2.5 rounded-sm font-bold', book && 'max-sm:hidden')}
      >
        <Ember />
        <span className="whitespace-nowrap max-md:sr-only">Hearth Table</span>
      </Link>
      {book && (
        <Menu
          label={`Book: ${book.name}`}
          trigger={
            <span className="flex min-h-7 max-w-[240px] items-center max-md:max-w-[26vw] max-sm:max-w-[19vw] max-sm:px-1.5 gap-1.5 rounded-md bg-soot-2 px-2.5">
              <span className="truncate">{book.name}</span>
              <span aria-hidden>▾</span>
            </span>
          }
        >
          {book.others.map((other) => (
            <DropdownMenu.Item key={other.id} asChild className={item}>
              <Link href={`/books/${other.id}`}>{other.name}</Link>
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item asChild className={item}>
            <Link href="/books">All books</Link>
          </DropdownMenu.Item>
        </Menu>
      )}
      {sides && (
        <nav aria-label="Sides" className="flex gap-0.5 rounded-lg bg-soot-2 p-[3px]">
          {sides.map((side) => (
            <Link
              key={side.title}
              href={side.href}
              aria-current={side.here ? 'page' : undefined}
              className={classNames(
                'flex min-h-7 items-center rounded-md px-4 max-md:px-2.5 max-sm:px-1.5',
                side.here ? 'bg-on-soot font-bold text-[#1d2422]' : 'text-on-soot-2 hover:text-on-soot',
              )}
            >
              {side.title}
            </Link>
          ))}
        </nav>
      )}
      <div className="ml-auto flex items-center gap-4 max-md:gap-2 max-sm:gap-1">
        {beside}
        {onFind && (
          <button
            type="button"
            onClick={onFind}
            className="flex min-h-7 w-[230px] items-center justify-between rounded-md bg-soot-2 px-2.5 text-on-soot-2 max-lg:w-auto max-lg:gap-3 max-sm:px-1.5"
          >
            <Search size={16} aria-hidden className="md:hidden" />
            <span className="whitespace-nowrap max-md:sr-only">Find or do…</span>
            <kbd className="font-mono text-xs whitespace-nowrap max-md:hidden">Ctrl K</kbd>
          </button>
        )}
        <Menu
          label={`Account: ${account}`}
          align="end"
          trigger={
            <span className="flex size-7 items-center justify-center rounded-full bg-bright-brass text-xs font-bold text-[#1d2422]">
              {initials}
            </span>
          }
        >
          <DropdownMenu.Label className="px-2.5 py-1.5 text-[13px] text-ash-6">
            Signed in as {account}
          </DropdownMenu.Label>
          {onShortcuts && (
            <DropdownMenu.Item className={item} onSelect={onShortcuts}>
              <Keyboard size={16} aria-hidden /> Keyboard shortcuts
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item asChild className={item}>
            <Link href="/account">
              <KeyRound size={16} aria-hidden /> Change your password
            </Link>
          </DropdownMenu.Item>
          <ThemeItems onTheme={onTheme} />
          <DropdownMenu.Item className={item} onSelect={onSignOut}>
            <LogOut size={16} aria-hidden /> Sign out
          </DropdownMenu.Item>
        </Menu>
      </div>
    </header>
  )
}

function ThemeItems({ onTheme }: { readonly onTheme: (theme: Theme) => void }) {
  const themes = [
    { theme: 'light', words: 'Light', Icon: Sun },
    { theme: 'dark', words: 'Dark', Icon: Moon },
    { theme: 'system', words: 'As the computer is set', Icon: SunMoon },
  ] as const
  const now = typeof document === 'undefined' ? undefined : (document.documentElement.dataset.theme ?? 'system')
  return themes.map(({ theme, words, Icon }) => (
    <DropdownMenu.Item
      key={theme}
      className={item}
      onSelect={() => {
        if (theme === 'system') delete document.documentElement.dataset.theme
        else document.documentElement.dataset.theme = theme
        onTheme(theme)
      }}
    >
      <Icon size={16} aria-hidden /> {words}
      {now === theme && <Check size={14} aria-label="chosen" className="ml-auto" />}
    </DropdownMenu.Item>
  ))
}

interface MenuProps {
  readonly label: string
  readonly trigger: ReactNode
  readonly align?: 'start' | 'end'
  readonly children: ReactNode
}

function Menu({ label, trigger, align = 'start', children }: MenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label={label} className="rounded-md">
        {trigger}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={6}
          className="z-50 max-h-[70vh] min-w-[200px] overflow-y-auto rounded-lg bg-paper p-1.5 text-ink shadow-float"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
