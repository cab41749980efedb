import type { FormText } from './form-text'

/**
 * What a saved record's form should show where somebody went on typing while it was being saved: the record as it
 * is stored, with what was typed since. Undefined where nothing was. Rows aren't looked into: saved ones are new rows.
 */
export function typedSince(sent: FormText, now: FormText, saved: FormText): FormText | undefined {
  const since = Object.keys(now.text).filter((field) => now.text[field] !== sent.text[field])
  if (since.length === 0) return undefined
  const taken = (of: FormText['text']) =>
    Object.fromEntries(since.flatMap((field) => (of[field] === undefined ? [] : [[field, of[field]]])))
  return {
    ...saved,
    text: { ...saved.text, ...taken(now.text) },
    labels: { ...saved.labels, ...taken(now.labels) },
  }
}
