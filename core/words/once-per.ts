/**
 * Works something out once for each object, and remembers it as long as the object lives. For what never changes: a
 * book, a table, a tree.
 */
export function oncePer<Of extends object, Found>(work: (of: Of) => Found): (of: Of) => Found {
  const done = new WeakMap<Of, { readonly found: Found }>()
  return (of) => {
    const known = done.get(of)
    if (known) return known.found
    const found = work(of)
    done.set(of, { found })
    return found
  }
}

/** The same for each object and one of its parts, which is known by a name or is an object of its own. */
export function oncePerPart<Of extends object, Part, Found>(
  work: (of: Of, part: Part) => Found,
): (of: Of, part: Part) => Found {
  const parts = oncePer((_of: Of) => new Map<Part, { readonly found: Found }>())
  return (of, part) => {
    const done = parts(of)
    const known = done.get(part)
    if (known) return known.found
    const found = work(of, part)
    done.set(part, { found })
    return found
  }
}
