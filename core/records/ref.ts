/**
 * The reference of a record: the values of its key's columns in one readable piece of text, safe in a
 * path. One key column: the value itself, "V-00418". Several: joined by "~".
 */
export const refOf = (keyValues: readonly string[]): string =>
  keyValues.map((value) => encodeURIComponent(value).replaceAll('~', '%7E')).join('~')

/** The key's values again, or undefined where the text is no reference of so many columns. */
export function keyOfRef(ref: string, columns: number): string[] | undefined {
  const parts = ref.split('~')
  if (parts.length !== columns) return undefined
  try {
    const values = parts.map(decodeURIComponent)
    return values.every((value) => value !== '') ? values : undefined
  } catch {
    return undefined
  }
}
