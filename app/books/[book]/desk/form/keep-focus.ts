import { giveBlank, owedBlank } from './last-blank'

/** Where somebody was typing when the page of the record that was just saved took the place of the new one's. */
interface Place {
  readonly id: string
  readonly caret: number | null
  /** A blank at its end that is still owed. */
  readonly blank: string
}

let left: Place | undefined
let savedAt = -Infinity
/** A new record's own page comes within so long, in milliseconds. */
const soon = 10_000

/** From now on the page of the record may take this one's place. */
export function expectOwnPage(): void {
  savedAt = performance.now()
}

/** Whether a form that begins now takes the place of one that was just saved. */
export const takesOver = (): boolean => performance.now() - savedAt < soon

/** Notes in which box of a form one is, as the form goes. */
export function leaveFocus(frame: HTMLElement | null): void {
  const box = document.activeElement
  const isOwn = takesOver() && box instanceof HTMLElement && box.id && frame?.contains(box)
  const caret = box instanceof HTMLInputElement ? box.selectionStart : null
  left = isOwn ? { id: box.id, caret, blank: owedBlank() } : undefined
}

/**
 * Goes on in the same box of the form that takes its place, unless one has gone elsewhere. Asked in the very moment
 * in which the one goes and the other comes, so that no letter falls between them.
 */
export function takeFocus(): void {
  const place = left
  left = undefined
  if (!place) return
  // What was typed stands in the boxes only once what is being drawn is drawn.
  queueMicrotask(() => {
    const box = document.getElementById(place.id)
    if (!box || (document.activeElement && document.activeElement !== document.body)) return
    box.focus()
    if (box instanceof HTMLInputElement && place.caret !== null) box.setSelectionRange(place.caret, place.caret)
    giveBlank(box, place.blank)
  })
}
