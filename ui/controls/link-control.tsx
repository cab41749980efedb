'use client'

import { ExternalLink } from 'lucide-react'
import Link from 'next/link'
import { Popover } from 'radix-ui'
import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react'
import { classNames, TextBox } from '../kit'
import { type ControlProps, type LinkOption, noteFor } from './control'
import { onSettle } from './settle'

const pauseBeforeSearch = 120

/** Chooses a record by any part of what people know it by; adds a new one without leaving. */
export function LinkControl(props: ControlProps) {
  const { link, id, readOnly, compact, invalid } = props
  const [words, setWords] = useState<string>()
  const [found, setFound] = useState<readonly LinkOption[]>()
  const options = found ?? []
  const [at, setAt] = useState(0)
  // The words that the options belong to; while they differ from what is typed, an answer is on its way.
  const [answered, setAnswered] = useState<string>()
  const list = useId()
  const asked = useRef(0)
  const pickWhenAnswered = useRef(false)
  const open = words !== undefined && !readOnly
  const searching = open && answered !== words
  const canAdd = link?.onAdd !== undefined
  const last = options.length - 1 + (canAdd ? 1 : 0)
  const search = link?.search

  const close = () => {
    setWords(undefined)
    setAnswered(undefined)
    pickWhenAnswered.current = false
  }
  const pick = (among: readonly LinkOption[], place: number) => {
    const option = among[place]
    if (option) link?.onPick(option)
    else if (canAdd) link.onAdd?.(words ?? '')
    close()
  }

  useEffect(() => {
    if (words === undefined || !search) return
    const turn = ++asked.current
    const timer = setTimeout(
      () =>
        void search(words).then((answer) => {
          // A slower answer to fewer letters must not overwrite a later one.
          if (turn !== asked.current) return
          setFound(answer)
          setAt(0)
          setAnswered(words)
          if (pickWhenAnswered.current && answer) pick(answer, 0)
        }),
      words === '' ? 0 : pauseBeforeSearch,
    )
    return () => clearTimeout(timer)
    // The search itself is made anew at each drawing; only the words matter.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words])

  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault()
      if (!open) return setWords('')
      setAt(Math.max(0, Math.min(last, at + (event.key === 'ArrowDown' ? 1 : -1))))
    }
    if (event.key === 'Enter' && open) {
      event.preventDefault()
      event.stopPropagation()
      // Who types faster than the answer comes gets what the answer brings.
      if (searching) pickWhenAnswered.current = true
      else pick(options, at)
    }
    if (event.key === 'Escape' && open) {
      event.stopPropagation()
      close()
    }
  }
  const emptied = useRef(false)
  /** Takes the record meant: the one chosen in the list, or the only one found. Whether there was one, or nothing typed. */
  const settle = async (): Promise<boolean> => {
    const typed = words?.trim()
    if (words !== undefined && typed === '' && emptied.current) link?.onPick(undefined)
    emptied.current = false
    if (!typed || typed === link?.label) return true
    const among = searching ? await search?.(typed) : found
    const meant = searching ? meantBy(typed, among ?? []) : options[at]
    if (meant) link?.onPick(meant)
    else link?.onMiss(typed, among ? 'unfit' : 'no answer')
    return meant !== undefined
  }
  const onBlur = async () => {
    const work = settle()
    link?.onSettling?.(work)
    await work
    close()
    props.onBlur?.()
  }
  const box = useRef<HTMLInputElement>(null)
  // Whoever saves from within the box means what stands there.
  useEffect(() =>
    box.current
      ? onSettle(box.current, async () => {
          const isSettled = await settle()
          if (isSettled) close()
          return isSettled
        })
      : undefined,
  )

  return (
    <Popover.Root open={open}>
      <Popover.Anchor className="relative block">
        <TextBox
          ref={box}
          id={id}
          role="combobox"
          aria-expanded={open}
          aria-controls={list}
          aria-autocomplete="list"
          aria-activedescendant={open && options[at] ? `${list}-${at}` : undefined}
          {...noteFor(props)}
          value={words ?? link?.label ?? ''}
          placeholder={link ? `Find ${link.noun}…` : ''}
          {...(invalid && { invalid })}
          {...(readOnly && { readOnly })}
          {...(compact && { quiet: true })}
          onFocus={(event) => event.target.select()}
          onClick={() => open || setWords('')}
          onChange={(event) => {
            emptied.current = event.target.value === ''
            setWords(event.target.value)
          }}
          onKeyDown={onKeyDown}
          onBlur={() => void onBlur()}
          className={link?.href ? 'pr-8' : undefined}
        />
        {link?.href && words === undefined && (
          <Link
            href={link.href}
            tabIndex={-1}
            aria-label={`Go to ${link.label}`}
            title={`Go to ${link.label}`}
            className="absolute inset-y-0 right-0 flex w-8 items-center justify-center rounded-md text-ash-5 hover:text-ink"
          >
            <ExternalLink size={14} aria-hidden />
          </Link>
        )}
      </Popover.Anchor>
      {/* Over everything, so that it is whole wherever the box stands. The focus stays in the box. */}
      <Popover.Portal>
        <Popover.Content
          asChild
          align="start"
          sideOffset={4}
          onOpenAutoFocus={stay}
          onCloseAutoFocus={stay}
          onInteractOutside={stay}
        >
          <ul
            id={list}
            role="listbox"
            aria-label={props.field.name}
            className="z-50 max-h-64 w-(--radix-popover-trigger-width) min-w-[240px] overflow-y-auto outline-none rounded-lg bg-paper p-1 shadow-float"
          >
            {options.map((option, place) => (
              <Option
                key={option.ref}
                id={`${list}-${place}`}
                here={place === at}
                onPick={() => pick(options, place)}
                words={option.label || option.ref}
                {...(option.number && { number: option.number })}
              />
            ))}
            {options.length === 0 && (
              <li className="px-2.5 py-1.5 text-ash-6">
                {searching
                  ? 'Looking …'
                  : found
                    ? 'Nothing found.'
                    : 'No answer from Hearth Table. Type a letter to ask again.'}
              </li>
            )}
            {canAdd && (
              <Option
                id={`${list}-${options.length}`}
                here={at === options.length}
                onPick={() => pick(options, options.length)}
                words={words ? `Add “${words}” …` : `Add a new ${link.noun} …`}
                quiet
              />
            )}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

const stay = (event: Event) => event.preventDefault()

/** The only record found, or the only one that goes by just these words. */
function meantBy(typed: string, found: readonly LinkOption[]): LinkOption | undefined {
  const exact = found.filter(({ label }) => label.toLocaleLowerCase() === typed.toLocaleLowerCase())
  const [only] = exact.length > 0 ? exact : found
  return exact.length === 1 || found.length === 1 ? only : undefined
}

function Option({
  id,
  here,
  words,
  number,
  quiet,
  onPick,
}: {
  readonly id: string
  readonly here: boolean
  readonly words: string
  readonly number?: string
  readonly quiet?: boolean
  readonly onPick: () => void
}) {
  return (
    <li
      id={id}
      role="option"
      aria-selected={here}
      // Before the box loses the focus, so that what was chosen isn’t lost with it.
      onMouseDown={(event) => {
        event.preventDefault()
        onPick()
      }}
      className={classNames(
        'cursor-pointer rounded-md px-2.5 py-1.5',
        here && 'bg-spruce-tint',
        quiet && 'font-semibold text-spruce',
      )}
    >
      {words}
      {number && <span className="pl-2 font-mono text-[13px] text-ash-6">{number}</span>}
    </li>
  )
}
