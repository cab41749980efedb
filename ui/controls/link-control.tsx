'use client'

import { ExternalLink } from 'lucide-react'
import Link from 'next/link'
import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react'
import { classNames, TextBox } from '../kit'
import { type ControlProps, type LinkOption, noteFor } from './control'

const pauseBeforeSearch = 120

/** Picks a record by any part of what people know it by; adds a new one without leaving. */
export function LinkControl(props: ControlProps) {
  const { link, id, readOnly, compact, invalid } = props
  const [words, setWords] = useState<string>()
  const [options, setOptions] = useState<readonly LinkOption[]>([])
  const [at, setAt] = useState(0)
  const [searching, setSearching] = useState(false)
  const list = useId()
  const asked = useRef(0)
  const open = words !== undefined && !readOnly
  const canAdd = link?.onAdd !== undefined
  const last = options.length - 1 + (canAdd ? 1 : 0)
  const search = link?.search

  useEffect(() => {
    if (words === undefined || !search) return
    const turn = ++asked.current
    const timer = setTimeout(
      () => {
        setSearching(true)
        void search(words).then((found) => {
          // A slower answer to fewer letters must not overwrite a later one.
          if (turn !== asked.current) return
          setOptions(found)
          setAt(0)
          setSearching(false)
        })
      },
      words === '' ? 0 : pauseBeforeSearch,
    )
    return () => clearTimeout(timer)
    // The search itself is made anew at each drawing; only the words matter.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [words])

  const close = () => setWords(undefined)
  const pick = (place: number) => {
    const option = options[place]
    if (option) link?.onPick(option)
    else if (canAdd) link.onAdd?.(words ?? '')
    close()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      if (!open) return setWords('')
      setAt(Math.max(0, Math.min(last, at + (event.key === 'ArrowDown' ? 1 : -1))))
    }
    if (event.key === 'Enter' && open) {
      event.preventDefault()
      event.stopPropagation()
      if (!searching) pick(at)
    }
    if (event.key === 'Escape' && open) {
      event.stopPropagation()
      close()
    }
    if (event.key === 'Tab' && open && words && options[at] && !searching) pick(at)
  }
  const onBlur = () => {
    if (words !== undefined && words.trim() === '' && props.text && words !== link?.label && typedBlank.current)
      link?.onPick(undefined)
    typedBlank.current = false
    close()
    props.onBlur?.()
  }
  const typedBlank = useRef(false)

  return (
    <span className="relative block">
      <TextBox
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
          typedBlank.current = event.target.value === ''
          setWords(event.target.value)
        }}
        onKeyDown={onKeyDown}
        onBlur={onBlur}
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
      {open && (
        <ul
          id={list}
          role="listbox"
          aria-label={props.field.name}
          className="absolute top-full left-0 z-30 mt-1 max-h-64 w-full min-w-[240px] overflow-y-auto rounded-lg bg-paper p-1 shadow-float"
        >
          {options.map((option, place) => (
            <Option
              key={option.ref}
              id={`${list}-${place}`}
              here={place === at}
              onPick={() => pick(place)}
              words={option.label || option.ref}
            />
          ))}
          {options.length === 0 && (
            <li className="px-2.5 py-1.5 text-ash-6">{searching ? 'Looking …' : 'Nothing found.'}</li>
          )}
          {canAdd && (
            <Option
              id={`${list}-${options.length}`}
              here={at === options.length}
              onPick={() => pick(options.length)}
              words={words ? `Add “${words}” …` : `Add a new ${link.noun} …`}
              quiet
            />
          )}
        </ul>
      )}
    </span>
  )
}

function Option({
  id,
  here,
  words,
  quiet,
  onPick,
}: {
  readonly id: string
  readonly here: boolean
  readonly words: string
  readonly quiet?: boolean
  readonly onPick: () => void
}) {
  return (
    <li
      id={id}
      role="option"
      aria-selected={here}
      // Before the box loses the focus, so that the pick isn't lost with it.
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
    </li>
  )
}
