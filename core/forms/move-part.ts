import { formColumns, type FormGroup, type FormLines, type FormPart } from '../book'
import { nth } from '../words'
import { columnsOf, leastSpan, withGap } from './line-room'
import { findPart, linesWithin, placePart, withLines } from './place-part'

export type Direction = 'left' | 'right' | 'up' | 'down'

/** Moves a part by one place, as an arrow key does. Beside others nothing gives way but what is left empty. */
export function movePart(lines: FormLines, id: string, direction: Direction): FormLines {
  switch (direction) {
    case 'left':
      return along(lines, id, -1)
    case 'right':
      return along(lines, id, 1)
    case 'up':
      return across(lines, id, -1)
    case 'down':
      return across(lines, id, 1)
  }
}

/** By one column where that is free, else past its neighbour. */
function along(lines: FormLines, id: string, by: 1 | -1): FormLines {
  const found = findPart(lines, id)
  if (!found) return lines
  return withLines(lines, found.group?.id, (all) =>
    all.map((line, at) => (at === found.line ? shifted(line, found.at, by) : line)),
  )
}

function shifted(line: readonly FormPart[], at: number, by: 1 | -1): readonly FormPart[] {
  const part = nth(line, at)
  const next = line[at + 1]
  const free = by > 0 ? (next ? (next.gap ?? 0) : formColumns - columnsOf(line)) : (part.gap ?? 0)
  const changed = [...line]
  if (free > 0) {
    changed[at] = withGap(part, (part.gap ?? 0) + by)
    if (next) changed[at + 1] = withGap(next, (next.gap ?? 0) - by)
    return changed
  }
  const other = line[at + by]
  if (!other) return line
  // The columns left empty stay where they are, before the first of the two.
  const [first, second] = by > 0 ? [other, part] : [part, other]
  changed[Math.min(at, at + by)] = withGap(first, (by > 0 ? part : other).gap ?? 0)
  changed[Math.max(at, at + by)] = withGap(second, (by > 0 ? other : part).gap ?? 0)
  return changed
}

/**
 * Out of a line that it shares into one of its own; from there to the end of the line beyond, where there is room for
 * it as it is, into a group, or past the line; out of a group at its first and last line.
 */
function across(lines: FormLines, id: string, by: 1 | -1): FormLines {
  const found = findPart(lines, id)
  if (!found) return lines
  const { part, group, line } = found
  const all = linesWithin(lines, group?.id)
  const place = { group: group?.id }
  if (nth(all, line).length > 1) return placePart(lines, id, { ...place, line: by > 0 ? line + 1 : line })
  const beyond = all[line + by]
  if (!beyond) return group ? leaveGroup(lines, id, group, by) : lines
  const inner = part.kind === 'group' ? undefined : groupUnder(beyond, part)
  if (inner) return placePart(lines, id, { group: inner.id, line: by > 0 ? 0 : inner.lines.length })
  if (columnsOf(beyond) + part.span <= formColumns)
    return placePart(lines, id, { ...place, line: line + by, at: beyond.length })
  return placePart(lines, id, { ...place, line: by > 0 ? line + 2 : line - 1 })
}

function leaveGroup(lines: FormLines, id: string, group: FormGroup, by: 1 | -1): FormLines {
  const found = findPart(lines, group.id)
  return found ? placePart(lines, id, { line: by > 0 ? found.line + 1 : found.line }) : lines
}

/** The group in a line over the column where a part begins. */
function groupUnder(line: readonly FormPart[], { gap = 0 }: FormPart): FormGroup | undefined {
  let column = 0
  const over = line.filter((part) => {
    const begin = column + (part.gap ?? 0)
    column = begin + part.span
    return part.kind === 'group' && (line.length === 1 || (gap >= begin && gap < column))
  })
  return over[0]?.kind === 'group' ? over[0] : undefined
}

/** Makes a part wider or narrower by columns; into what is left empty first, then into its neighbour at the right. */
export function widenPart(lines: FormLines, id: string, by: number): FormLines {
  const found = findPart(lines, id)
  if (!found) return lines
  return withLines(lines, found.group?.id, (all) =>
    all.map((line, at) => (at === found.line ? widened(line, found.at, by) : line)),
  )
}

function widened(line: readonly FormPart[], at: number, by: number): readonly FormPart[] {
  const changed = [...line]
  for (let left = Math.abs(by); left > 0; left--) {
    const part = nth(changed, at)
    if (by < 0) {
      if (part.span <= leastSpan[part.kind]) break
      changed[at] = { ...part, span: part.span - 1 }
      continue
    }
    const next = changed[at + 1]
    if (columnsOf(changed) < formColumns) changed[at] = { ...part, span: part.span + 1 }
    else if (next?.gap) {
      changed[at] = { ...part, span: part.span + 1 }
      changed[at + 1] = withGap(next, next.gap - 1)
    } else if (next && next.span > leastSpan[next.kind]) {
      changed[at] = { ...part, span: part.span + 1 }
      changed[at + 1] = { ...next, span: next.span - 1 }
    } else break
  }
  return changed
}
