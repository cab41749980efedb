/** A cell by its line and column, both counted from nought. */
export interface Place {
  readonly at: number
  readonly column: number
}

/** The cells between two, both among them. */
export interface Block {
  readonly top: number
  readonly bottom: number
  readonly left: number
  readonly right: number
}

export const blockOf = (a: Place, b: Place): Block => ({
  top: Math.min(a.at, b.at),
  bottom: Math.max(a.at, b.at),
  left: Math.min(a.column, b.column),
  right: Math.max(a.column, b.column),
})

export const isIn = ({ top, bottom, left, right }: Block, { at, column }: Place) =>
  at >= top && at <= bottom && column >= left && column <= right

interface Extent {
  readonly lines: number
  readonly columns: number
  /** So many lines are in sight. */
  readonly page: number
}

/** Where a key that moves leads to; none for other keys. */
export function moved(
  { at, column }: Place,
  key: string,
  far: boolean,
  { lines, columns, page }: Extent,
): Place | undefined {
  const last = lines - 1
  const to = (line: number, place: number): Place => ({
    at: Math.max(0, Math.min(last, line)),
    column: Math.max(0, Math.min(columns - 1, place)),
  })
  switch (key) {
    case 'ArrowUp':
      return to(far ? 0 : at - 1, column)
    case 'ArrowDown':
      return to(far ? last : at + 1, column)
    case 'ArrowLeft':
      return to(at, far ? 0 : column - 1)
    case 'ArrowRight':
      return to(at, far ? columns - 1 : column + 1)
    case 'Home':
      return to(far ? 0 : at, 0)
    case 'End':
      return to(far ? last : at, columns - 1)
    case 'PageUp':
      return to(at - page, column)
    case 'PageDown':
      return to(at + page, column)
    default:
      return undefined
  }
}

/** The next cell across, or the one before; at the end of a line on in the next. None beyond the last. */
export function across({ at, column }: Place, by: 1 | -1, { lines, columns }: Omit<Extent, 'page'>): Place | undefined {
  const next = at * columns + column + by
  return next < 0 || next >= lines * columns ? undefined : { at: Math.floor(next / columns), column: next % columns }
}

/** The next cell where something is wrong, after where one is, and from the top again; none where nothing is. */
export function nextWrong(
  { at, column }: Place,
  lines: number,
  wrongIn: (line: number) => readonly number[],
): Place | undefined {
  for (let step = 0; step <= lines; step++) {
    const line = (at + step) % lines
    const wrong = wrongIn(line)
    const found = step === 0 ? wrong.find((one) => one > column) : wrong[0]
    if (found !== undefined) return { at: line, column: found }
  }
  return undefined
}
