/**
 * What is typed in the moment in which a saved form is drawn anew: the old box takes nothing to its place any more,
 * the new one isn't there yet. It is held, and handed to the box in which one goes on.
 */
let held = ''
let stop = () => {}

/** So long the keys are held at the most, in milliseconds. */
const patience = 1500

/** From now on letters for this box, or for none, are held. */
export function holdTyping(box: HTMLElement): void {
  stop()
  held = ''
  const onKeyDown = (event: KeyboardEvent) => {
    const { key, target } = event
    if (target !== box && target !== document.body) return
    if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing) return
    if (key === 'Backspace' && held) held = held.slice(0, -1)
    else if (key.length === 1) held += key
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  document.addEventListener('keydown', onKeyDown, true)
  const timer = setTimeout(handTyping, patience)
  stop = () => {
    document.removeEventListener('keydown', onKeyDown, true)
    clearTimeout(timer)
    stop = () => {}
  }
}

/** Hands what was held to the box that has the focus now. */
export function handTyping(): void {
  stop()
  const words = held
  held = ''
  const box = document.activeElement
  if (!words || !(box instanceof HTMLInputElement || box instanceof HTMLTextAreaElement)) return
  // As if it was typed, so that it can be undone, and whoever listens to the box hears of it.
  document.execCommand('insertText', false, words)
}
