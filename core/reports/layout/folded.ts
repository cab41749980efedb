import { nth } from '../../words'
import type { Wants } from './column-fit'

/**
 * The columns of each line of a row that stands in two, in their order: parted where the wider of both is the least wide.
 * Where two lines can't have all of them without cutting words, as few as can.
 */
export function folds(wants: readonly Wants[], gap: number, room: number, indent: number): number[][] {
  const all = wants.map((_, at) => at)
  const wide = (some: readonly number[], by: keyof Wants) =>
    some.reduce((sum, at) => sum + nth(wants, at)[by] + gap, -gap)
  const cuts = all.slice(1).map((at) => [all.slice(0, at), all.slice(at)] as const)
  const isEnough = ([first, second]: (typeof cuts)[number]) =>
    wide(first, 'least') <= room && wide(second, 'least') <= room - indent
  const widest = ([first, second]: (typeof cuts)[number]) =>
    Math.max(wide(first, 'natural'), wide(second, 'natural') + indent)
  const [best] = cuts.filter(isEnough).sort((a, b) => widest(a) - widest(b))
  if (best) return best.map((some) => [...some])
  let last: number[] = []
  const lines = [last]
  for (const at of all) {
    const own = lines.length > 1 ? room - indent : room
    if (last.length === 0 || wide([...last, at], 'least') <= own) last.push(at)
    else lines.push((last = [at]))
  }
  return lines
}
