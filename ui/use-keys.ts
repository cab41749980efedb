import { useEffect, useEffectEvent } from 'react'

type Keys = Readonly<Record<string, (() => void) | undefined>>

/**
 * Keys that work wherever the focus is, by names such as "Ctrl K", "Alt N", "Alt ArrowUp", "/".
 * Those of `idle` leave alone whoever is typing in a box. A key without a handler is not taken.
 */
export function useKeys(always: Keys, idle: Keys = {}): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const name = nameOf(event)
    const act = always[name] ?? (isTyping(event.target) ? undefined : idle[name])
    if (!act) return
    event.preventDefault()
    act()
  })
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event)
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
}

/** Letters are capitals whatever Shift says; signs such as "?" are themselves. */
function nameOf(event: KeyboardEvent): string {
  const letter = /^[a-z]$/i.test(event.key)
  return [
    (event.ctrlKey || event.metaKey) && 'Ctrl',
    event.altKey && 'Alt',
    event.shiftKey && letter && 'Shift',
    letter ? event.key.toUpperCase() : event.key,
  ]
    .filter(Boolean)
    .join(' ')
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
