import type { Look } from '../../kinds'
import { calendarDays } from '../check/spans'
import type { ReadGroup } from '../check/read-list'
import type { GroupCell } from '../statement/group-keys'

/** Months without a record are filled in up to so many groups; who groups ten years by day wants no more rows. */
const mostFilled = 400

/**
 * The groups of days as they follow on each other, those that no record is in among them: so nothing looks nearer than it
 * is. Only where they stand in the order of time; what is blank stays last.
 */
export function withGaps(look: Look, group: ReadGroup, cells: readonly GroupCell[]): GroupCell[] {
  const { step, by, down } = group
  if (typeof step !== 'string' || step === 'letter' || by !== undefined) return [...cells]
  const there = new Map(cells.flatMap((cell) => (cell.key === null ? [] : [[cell.key, cell] as const])))
  const keys = [...there.keys()].sort()
  const [first, last] = [keys[0], keys.at(-1)]
  if (first === undefined || last === undefined) return [...cells]
  const filled: GroupCell[] = []
  for (let key = first; key <= last; key = calendarDays(key, step, look).until) {
    filled.push(there.get(key) ?? { key, same: key })
    if (filled.length > mostFilled) return [...cells]
  }
  const blank = cells.filter(({ key }) => key === null)
  return [...(down ? filled.reverse() : filled), ...blank]
}
