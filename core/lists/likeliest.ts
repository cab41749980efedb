import { keyOfRef } from '../records'
import { likeness } from './likeness'

interface Option {
  readonly ref: string
  readonly label: string
}

/**
 * Records to choose from, likeliest first: by how well they answer what was typed, among equals those used lately,
 * then in their own order. Where nothing was typed, what was used lately comes first. Of records that are shown alike
 * each says its number, where it has one of its own: a key of several parts is nothing that people read.
 */
export function likeliest<T extends Option>(
  found: readonly T[],
  typed: string,
  lately: readonly T[],
): (T & { readonly number?: string })[] {
  const isThere = new Set(found.map(({ ref }) => ref))
  const all = typed.trim() ? found : [...lately.filter(({ ref }) => !isThere.has(ref)), ...found]
  const lateness = new Map(lately.map(({ ref }, at) => [ref, at]))
  const places = new Map(
    all.map((one, at) => [
      one,
      [typed.trim() ? likeness(one.label, typed) : 0, lateness.get(one.ref) ?? lately.length, at],
    ]),
  )
  const sorted = [...all].sort((a, b) => {
    const [x, y] = [places.get(a)!, places.get(b)!]
    return x[0]! - y[0]! || x[1]! - y[1]! || x[2]! - y[2]!
  })
  const times = new Map<string, number>()
  for (const { label } of sorted) times.set(label, (times.get(label) ?? 0) + 1)
  return sorted.map((one) => {
    const [number] = keyOfRef(one.ref, 1) ?? []
    return number && number !== one.label && times.get(one.label)! > 1 ? { ...one, number } : one
  })
}
