import { firstToFill } from '@/ui/kit'
import { giveBlank, owedBlank } from './last-blank'

/** Where somebody was typing when the page of the record that was just saved took the place of the new one's. */
interface Place {
  readonly id: string
  readonly caret: number | null
  /** A blank at its end that is still owed. */
  readonly blank: string
}

let left: Place | undefined
let saved: { readonly ref: string; readonly at: number } | undefined
/** A new record's own page comes within so long, in milliseconds. */
const soon = 10_000

const isExpected = () => saved !== undefined && performance.now() - saved.at < soon

/** From now on the page of the record that goes by this reference may take this one's place. */
export function expectOwnPage(ref: string): void {
  saved = { ref, at: performance.now() }
}

let pressed = false

/** Save was pressed while the new record's own page was on its way: that page does it. */
export const saveOnceThere = (): void => void (pressed = true)

/** Whether the page of this record, which has just come, is to save what was typed meanwhile. */
export function owesSave(ref: string | undefined): boolean {
  const owes = pressed && takesOver(ref)
  pressed = false
  return owes
}

/** Whether the form of this record, which begins now, takes the place of the one in which it was just saved. */
export const takesOver = (ref: string | undefined): boolean => isExpected() && saved?.ref === ref

const isSomewhere = () => document.activeElement !== null && document.activeElement !== document.body

/** A new record begins at the first box to fill, unless one is somewhere already. */
export function beginTyping(frame: HTMLElement | null): void {
  queueMicrotask(() => !isSomewhere() && frame && firstToFill(frame)?.focus())
}

/** Notes in which box of a form one is, as the form goes. */
export function leaveFocus(frame: HTMLElement | null): void {
  const box = document.activeElement
  const isOwn = isExpected() && box instanceof HTMLElement && box.id && frame?.contains(box)
  const caret = box instanceof HTMLInputElement ? box.selectionStart : null
  left = isOwn ? { id: box.id, caret, blank: owedBlank() } : undefined
}

/**
 * Goes on in the same box of the form that takes its place, unless one has gone elsewhere. Asked in the very moment
 * in which the one goes and the other comes, so that no letter falls between them.
 */
export function takeFocus(ref: string | undefined): void {
  const place = left
  left = undefined
  if (!place || !takesOver(ref)) return
  // What was typed stands in the boxes only once what is being drawn is drawn.
  queueMicrotask(() => {
    const box = document.getElementById(place.id)
    if (!box || isSomewhere()) return
    box.focus()
    if (box instanceof HTMLInputElement && place.caret !== null) box.setSelectionRange(place.caret, place.caret)
    giveBlank(box, place.blank)
  })
}
