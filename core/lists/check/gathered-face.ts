import type { Field } from '../../book'
import type { Type } from '../../expressions'
import type { KindName } from '../../kinds'
import { isTimed } from './comparisons'
import type { Gathering } from './read-list'

const words: Readonly<Record<Gathering, string>> = {
  count: 'number',
  different: 'different ones',
  total: 'total',
  average: 'average',
  least: 'least',
  greatest: 'greatest',
}

/** How what is gathered is called, before the name of its field; the least of days is the earliest. */
export const sayGathering = (name: Gathering, kind?: KindName): string =>
  kind && isTimed(kind) && (name === 'least' || name === 'greatest')
    ? { least: 'earliest', greatest: 'latest' }[name]
    : words[name]

/** A whole number of things. */
export const wholeFace = (id: string): Field => ({ id, name: '', kind: 'whole' })

const numbers: readonly Type['is'][] = ['exact', 'measured']
const times: readonly Type['is'][] = ['date', 'time', 'moment']

/** What the gathered values of something look like, by what they look like one by one; nothing where it can't be so. */
export function gatheredFace(
  id: string,
  name: Exclude<Gathering, 'count'>,
  face: Field,
  type: Type | undefined,
): Field | undefined {
  if (name === 'different') return face.kind === 'file' ? undefined : wholeFace(id)
  const isNumber = type !== undefined && numbers.includes(type.is)
  if (name === 'total' || name === 'average') return isNumber ? summedFace(id, name, face) : undefined
  if (!isNumber && !(type && times.includes(type.is))) return undefined
  // A mark or a running number that is the least of several is a number like others.
  return { ...face, id, kind: face.kind === 'running' || face.kind === 'mark' ? 'whole' : face.kind }
}

/** Amounts stay amounts; an average has two decimals more than what it is of. */
function summedFace(id: string, name: 'total' | 'average', face: Field): Field {
  const unit = face.unit ? { unit: face.unit } : {}
  if (face.kind === 'money' || face.kind === 'measured') return { id, name: '', kind: face.kind, ...unit }
  const decimals = (face.kind === 'exact' ? (face.decimals ?? 2) : 0) + (name === 'average' ? 2 : 0)
  return decimals === 0
    ? { ...wholeFace(id), ...unit }
    : { id, name: '', kind: 'exact', digits: 18, decimals: Math.min(decimals, 10), ...unit }
}
