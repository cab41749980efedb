import { freeName, limits } from '../../book'
import type { ReadField } from '../../needs'
import { capital } from '../../words'

/**
 * How things are called on screen: a name longer than a book takes is cut at a word where it can be,
 * and two that would become the same stay apart.
 */
export function shownNames(names: Iterable<string>): (name: string) => string {
  const shown = new Map<string, string>()
  for (const name of names)
    if (!shown.has(name))
      shown.set(
        name,
        freeName(
          cut(name),
          [...shown.values()].map((taken) => ({ name: taken })),
        ),
      )
  return (name) => shown.get(name) ?? cut(name)
}

/** The fields of one table, by the names they are shown with. */
export function shownFields(fields: readonly ReadField[], thing: (name: string) => string): ReadField[] {
  const shown = shownNames(fields.map((field) => field.name))
  return fields.map((field) => ({
    ...field,
    name: shown(field.name),
    ...(field.limit && { limit: { ...field.limit, per: thing(field.limit.per) } }),
  }))
}

function cut(name: string): string {
  if (name.length <= limits.nameLength) return capital(name)
  const short = name.slice(0, limits.nameLength)
  return capital(short.includes(' ') ? short.slice(0, short.lastIndexOf(' ')) : short)
}
