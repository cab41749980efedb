/** What a key press says of itself; a browser's own event fits. */
export interface Pressed {
  readonly key: string
  readonly ctrlKey: boolean
  readonly metaKey: boolean
  readonly altKey: boolean
  readonly shiftKey: boolean
}

/** Letters are capitals whatever Shift says; signs such as "?" are themselves. */
export function keyName(event: Pressed): string {
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
