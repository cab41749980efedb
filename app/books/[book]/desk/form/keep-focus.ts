import { handTyping, holdTyping } from './typed-meanwhile'

/** Where somebody was typing when a form was about to be drawn anew. */
interface Place {
  readonly id: string
  readonly caret: number | null
}

let kept: Place | undefined
let savedAt = -Infinity
/** A new record's own page comes within so long, in milliseconds. */
const soon = 10_000

/** Notes in which box of a form one is, before what was saved takes its place. */
export function keepFocus(frame: HTMLElement | null): void {
  savedAt = performance.now()
  holdTyping(noteFocus(frame))
}

/** The same when a form goes because the page of the record that was just saved takes its place. */
export function followFocus(frame: HTMLElement | null): void {
  if (performance.now() - savedAt < soon) noteFocus(frame)
}

function noteFocus(frame: HTMLElement | null): Element | undefined {
  const box = document.activeElement
  const isOwn = box instanceof HTMLElement && box.id && frame?.contains(box)
  kept = isOwn ? { id: box.id, caret: box instanceof HTMLInputElement ? box.selectionStart : null } : undefined
  return isOwn ? box : undefined
}

/** Goes back to that box as soon as it is drawn anew, unless one has gone elsewhere. */
export function restoreFocus(): void {
  const place = kept
  kept = undefined
  const look = (frames: number) => {
    const at = document.activeElement
    const box = place && document.getElementById(place.id)
    if (!place || frames === 0) return handTyping()
    // Gone elsewhere, one isn't called back; what was typed still waits for the box it was meant for.
    if (at && at !== document.body && at !== box) return void setTimeout(handTyping, settled * frameTime)
    // As long as the old one still has the focus, the new one isn't there yet, or none comes.
    if (at === box && frames === patience - settled) handTyping()
    if (!box || at === box) return void requestAnimationFrame(() => look(frames - 1))
    box.focus()
    if (box instanceof HTMLInputElement && place.caret !== null) box.setSelectionRange(place.caret, place.caret)
    handTyping()
  }
  look(patience)
}

/** In frames, about half a second. */
const patience = 30
/** A box that is still there after so many frames stays. */
const settled = 10
/** How long a frame lasts, in milliseconds. */
const frameTime = 17
