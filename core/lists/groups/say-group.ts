import type { Group } from '../../book'
import { fromExact, type Look, monthNames, showValue, toExact } from '../../kinds'
import { inSentence } from '../../words'
import type { ReadGroup } from '../check/read-list'
import type { GroupCell } from '../statement/group-keys'

/**
 * A group as people write it: "Otterby", "March 2027", "10 to under 20", "No town". In short, where many stand side by
 * side: "Mar 2027".
 */
export function sayGroup(
  look: Look,
  { field, face, step }: ReadGroup,
  { key, label }: GroupCell,
  short = false,
): string {
  if (key === null) return `No ${inSentence(field.name)}`
  if (label !== undefined) return label || key
  if (step === undefined)
    return face.kind === 'tick' ? `${field.name}: ${showValue(key, face, look)}` : showValue(key, face, look)
  return typeof step === 'object' ? sayStep(look, face, key, step.every) : sayStretch(look, key, step, short)
}

function sayStretch(look: Look, key: string, unit: Extract<Group['step'], string>, short: boolean): string {
  const [year, at] = [key.slice(0, 4), Number(key.slice(5, 7)) - 1]
  const month = (place: number) => (short ? monthNames[place]!.slice(0, 3) : monthNames[place]!)
  const day = () => showValue(key, { name: '', kind: 'date' }, look)
  switch (unit) {
    case 'letter':
      return key
    case 'day':
      return day()
    case 'week':
      return short ? day() : `Week of ${day()}`
    case 'month':
      return `${month(at)} ${year}`
    case 'quarter':
      return `${month(at)}${short ? '–' : ' to '}${month(at + 2)} ${year}`
    case 'year':
      return year
  }
}

/** Both ends with as many decimals as the finer of key and step; amounts as amounts. */
function sayStep(look: Look, face: ReadGroup['face'], key: string, every: string): string {
  const least = face.kind === 'money' ? look.currencyDecimals : 0
  const scale = Math.max(scaleOf(key), scaleOf(every), least)
  const numbered = { name: '', kind: 'exact', decimals: scale } as const
  const shown = face.kind === 'money' ? { ...face, name: '' } : { ...numbered, ...(face.unit && { unit: face.unit }) }
  const show = (value: bigint) => showValue(fromExact(value, scale), shown, look)
  const from = toExact(key, scale)
  return `${show(from)} to under ${show(from + toExact(every, scale))}`
}
const scaleOf = (text: string) => text.split('.')[1]?.length ?? 0

/** What a list is grouped by, in words: "town, then month of day". */
export const sayGroups = (groups: readonly Pick<ReadGroup, 'words' | 'step' | 'first'>[]): string =>
  groups.map(sayBy).join(', then ')

const sayBy = (group: Pick<ReadGroup, 'words' | 'step' | 'first'>): string =>
  sayStepOf(group) + (group.first === undefined ? '' : ` (the first ${group.first})`)

const sayStepOf = ({ words, step }: Pick<ReadGroup, 'words' | 'step'>): string => {
  if (step === undefined) return words
  if (typeof step === 'object') return `every ${step.every} of ${words}`
  return step === 'letter' ? `first letter of ${words}` : `${step} of ${words}`
}
