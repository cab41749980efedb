/**
 * The reference of a record: the values of its key's columns in one readable piece of text, safe in a
 * path. One key column: the value itself, "V-00418". Several: joined by "~".
 */
export const refOf = (keyValues: readonly string[]): string =>
  keyValues.length === 1 ? encoded(keyValues[0]!) : keyValues.map(encoded).join('~')

// Nearly every key is plain letters and digits, and a list writes hundreds of them.
const encoded = (value: string) => (/^[\w.-]*$/.test(value) ? value : encodeURIComponent(value).replaceAll('~', '%7E'))

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
