/**
 * What is typed in the moment in which a saved form is drawn anew: the old box takes nothing to its place any more,
 * the new one isn't there yet. It is held, and handed to the box that takes the place of the old one.
 */
let held = ''
let boxId = ''
let stop = () => {}

/** So long the keys are held at the most, in milliseconds. */
const holdsFor = 1500

/** From now on letters for this box, or for none, are held; nothing is where it takes no letters. */
export function holdTyping(box: Element | undefined): void {
  stop()
  if (!takesLetters(box)) return
  held = ''
  boxId = box.id
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
  const timer = setTimeout(handTyping, holdsFor)
  stop = () => {
    document.removeEventListener('keydown', onKeyDown, true)
    clearTimeout(timer)
    stop = () => {}
  }
}

/** Hands what was held to the box it was meant for, also where one has gone on to another one meanwhile. */
export function handTyping(): void {
  stop()
  const words = held
  held = ''
  const box = document.getElementById(boxId)
  if (!words || !takesLetters(box)) return
  const here = document.activeElement
  if (box !== here) {
    box.focus()
    // Some kinds of boxes know no caret.
    if (box.selectionStart !== null) box.setSelectionRange(box.value.length, box.value.length)
  }
  // As if it was typed, so that it can be undone, and whoever listens to the box hears of it.
  document.execCommand('insertText', false, words)
  if (box !== here && here instanceof HTMLElement && here !== document.body) here.focus()
}

function takesLetters(box: Element | null | undefined): box is HTMLInputElement | HTMLTextAreaElement {
  return (
    box instanceof HTMLTextAreaElement ||
    (box instanceof HTMLInputElement && !['checkbox', 'radio', 'file'].includes(box.type))
  )
}
