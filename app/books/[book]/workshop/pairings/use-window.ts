import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react'

/** A square's place in the half-matrix: its row and its column. */
export interface Square {
  readonly row: number
  readonly column: number
}

/** How far apart squares stand, in pixels, and how much room the names at the left and at the top take. */
export const pitch = { row: 37, column: 95 }
const names = { width: 150, height: 60 }
/** So many more than are in sight are drawn on each side, so that nothing is blank while one scrolls. */
const beyond = 6

interface Span {
  readonly from: number
  readonly to: number
}

/** The rows and columns that are in sight of a frame that scrolls: all that need be drawn of thousands of squares. */
export function useWindow(frame: RefObject<HTMLDivElement | null>, count: number): { rows: Span; columns: Span } {
  const [seen, setSeen] = useState({ top: 0, left: 0, width: 1200, height: 800 })
  useLayoutEffect(() => {
    const box = frame.current
    if (!box) return
    const look = () => {
      const { scrollTop: top, scrollLeft: left, clientWidth: width, clientHeight: height } = box
      setSeen((before) =>
        before.top === top && before.left === left && before.width === width && before.height === height
          ? before
          : { top, left, width, height },
      )
    }
    look()
    const sizes = new ResizeObserver(look)
    sizes.observe(box)
    box.addEventListener('scroll', look, { passive: true })
    return () => {
      sizes.disconnect()
      box.removeEventListener('scroll', look)
    }
  }, [frame])
  const span = (at: number, room: number, step: number): Span => ({
    from: Math.max(0, Math.floor(at / step) - beyond),
    to: Math.min(count, Math.ceil((at + room) / step) + beyond),
  })
  return { rows: span(seen.top, seen.height, pitch.row), columns: span(seen.left, seen.width, pitch.column) }
}

/** Scrolls so far that a square is in sight, beside the names that stay. */
export function bringInSight(box: HTMLElement, { row, column }: Square): void {
  const [y, x] = [row * pitch.row, column * pitch.column]
  const room = { height: box.clientHeight - names.height, width: box.clientWidth - names.width }
  if (y < box.scrollTop) box.scrollTop = y
  else if (y + pitch.row > box.scrollTop + room.height) box.scrollTop = y + pitch.row - room.height
  if (x < box.scrollLeft) box.scrollLeft = x
  else if (x + pitch.column > box.scrollLeft + room.width) box.scrollLeft = x + pitch.column - room.width
}

/** Focuses a square once it is drawn, wherever it was before. */
export function useReach(frame: RefObject<HTMLDivElement | null>): (square: Square) => void {
  const wanted = useRef<Square>(undefined)
  const focus = () => {
    const { current: square } = wanted
    const found = square && frame.current?.querySelector<HTMLElement>(`[data-at="${square.row}.${square.column}"]`)
    if (!found) return
    wanted.current = undefined
    found.focus({ preventScroll: true })
  }
  // What was out of sight is drawn because of the scrolling.
  useEffect(focus)
  return (square) => {
    wanted.current = square
    if (frame.current) bringInSight(frame.current, square)
    focus()
  }
}
