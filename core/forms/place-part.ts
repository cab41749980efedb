import { formColumns, type FormGroup, type FormLines, type FormPart, type PlainPart } from '../book'
import { nth } from '../words'
import { canShare, fitted, leastSpan, withGap } from './line-room'

/** Where a part goes: into a line at a place in it, or into a line of its own before that one. */
export interface Spot {
  /** The group whose lines are meant; those of the form itself where there is none. */
  readonly group?: string | undefined
  readonly line: number
  readonly at?: number | undefined
}

type Line = readonly FormPart[]
type Lines = readonly Line[]

interface FoundPart {
  readonly part: FormPart
  /** The group that it is in. */
  readonly group?: FormGroup
  readonly line: number
  readonly at: number
}

export function findPart(lines: FormLines, id: string): FoundPart | undefined {
  for (const [line, parts] of lines.entries())
    for (const [at, part] of parts.entries()) {
      if (part.id === id) return { part, line, at }
      if (part.kind !== 'group') continue
      for (const [inner, within] of part.lines.entries()) {
        const place = within.findIndex((one) => one.id === id)
        if (place >= 0) return { part: nth(within, place), group: part, line: inner, at: place }
      }
    }
  return undefined
}

export const groupsIn = (lines: FormLines): readonly FormGroup[] => lines.flat().filter((part) => part.kind === 'group')

/** All parts in the order in which they are read, those of a group after it. */
export const partsInOrder = (lines: FormLines): readonly FormPart[] =>
  lines.flat().flatMap((part) => (part.kind === 'group' ? [part, ...part.lines.flat()] : [part]))

/** The part that is read after another, or before it where that is the last; not one within it. */
export function neighbourOf(lines: FormLines, id: string): string | undefined {
  const found = findPart(lines, id)?.part
  const within = found?.kind === 'group' ? found.lines.flat().map((part) => part.id) : []
  const order = partsInOrder(lines)
    .map((part) => part.id)
    .filter((one) => !within.includes(one))
  const at = order.indexOf(id)
  return at < 0 ? undefined : (order[at + 1] ?? order[at - 1])
}

/** The lines of the form itself, or of a group in it. */
export const linesWithin = (lines: FormLines, group?: string): Lines =>
  group === undefined ? lines : (groupsIn(lines).find(({ id }) => id === group)?.lines ?? [])

/** The form with other lines in it, or in one of its groups; lines without parts are none. */
export function withLines(lines: FormLines, group: string | undefined, change: (lines: Lines) => Lines): FormLines {
  const without = (changed: Lines) => changed.filter((line) => line.length > 0)
  if (group === undefined) return without(change(lines))
  return lines.map((line) =>
    line.map((part) =>
      part.kind === 'group' && part.id === group
        ? { ...part, lines: without(change(part.lines)) as readonly (readonly PlainPart[])[] }
        : part,
    ),
  )
}

/** The form without a part; what stands after it in its line moves up to where it was. */
export function takeOut(lines: FormLines, id: string): FormLines {
  const found = findPart(lines, id)
  if (!found) return lines
  return withLines(lines, found.group?.id, (all) =>
    all.map((line, at) => (at === found.line ? line.filter((part) => part.id !== id) : line)),
  )
}

/** As wide on other columns as it was on these, as nearly as whole columns allow. */
function scaled(part: FormPart, from: FormGroup | undefined, into: FormGroup | undefined): FormPart {
  if (from?.id === into?.id) return part
  const wide = (part.span * (from?.span ?? formColumns)) / (into?.span ?? formColumns)
  const span = Math.min(formColumns, Math.max(leastSpan[part.kind], Math.round(wide)))
  return { ...withGap(part, 0), span }
}

/** Puts a part that isn't on the form into it; others in the line give way. A group goes into no group. */
export function putIn(lines: FormLines, part: FormPart, spot: Spot): FormLines {
  const group = part.kind === 'group' ? undefined : spot.group
  return withLines(lines, group, (all) => {
    const line = Math.min(Math.max(0, spot.line), all.length)
    const into = spot.at === undefined ? undefined : all[line]
    if (!into || !canShare([...into, part])) {
      // Where it has no room beside them it comes after them.
      const at = into ? line + 1 : line
      return [...all.slice(0, at), [part], ...all.slice(at)]
    }
    const shared = [...into.slice(0, spot.at), part, ...into.slice(spot.at)]
    return all.map((one, at) => (at === line ? fitted(shared) : one))
  })
}

/** Moves a part of the form to another place in it. */
export function placePart(lines: FormLines, id: string, spot: Spot): FormLines {
  const found = findPart(lines, id)
  if (!found || spot.group === id || (found.part.kind === 'group' && spot.group !== undefined)) return lines
  const into = groupsIn(lines).find((group) => group.id === spot.group)
  const part = withGap(scaled(found.part, found.group, into), 0)
  if (found.group?.id !== into?.id) return putIn(takeOut(lines, id), part, spot)
  const isAlone = nth(linesWithin(lines, into?.id), found.line).length === 1
  // Alone in its line, it stays there.
  if (isAlone && spot.line === found.line) return lines
  return putIn(takeOut(lines, id), part, spotWithout(spot, found, isAlone))
}

/** The same spot in lines that the part has been taken out of. */
function spotWithout({ group, line, at }: Spot, found: FoundPart, isAlone: boolean): Spot {
  if (isAlone) return { group, line: line > found.line ? line - 1 : line, at }
  return { group, line, at: at !== undefined && line === found.line && at > found.at ? at - 1 : at }
}
