import { useEffect, useEffectEvent } from 'react'
import { keyName } from './key-name'

type Keys = Readonly<Record<string, (() => void) | undefined>>

/**
 * Keys that work wherever the focus is, by names such as "Ctrl K", "Alt N", "Alt ArrowUp", "/".
 * Those of `idle` leave alone whoever is typing in a box. A key without a handler is not taken.
 */
export function useKeys(always: Keys, idle: Keys = {}): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const name = keyName(event)
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

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
