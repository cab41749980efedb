/** One of several by its place; a place where there is none is our own mistake. */
export function nth<Part>(all: readonly Part[], at: number): Part {
  const part = all[at]
  if (part === undefined) throw new Error(`Expected something at ${at} of ${all.length}.`)
  return part
}
