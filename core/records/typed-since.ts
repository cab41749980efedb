import type { FormText, RowText, Typed } from './form-text'

/**
 * What a saved record's form should show where somebody went on typing while it was being saved: the record as it
 * is stored, with what was typed since, in its own boxes and in its rows. Undefined where nothing was.
 */
export function typedSince(sent: FormText, now: FormText, saved: FormText): FormText | undefined {
  const own = changed(sent.text, now.text)
  const insets = Object.entries(saved.insets).map(
    ([link, rows]) => [link, rows, rowsSince(sent.insets[link] ?? [], now.insets[link] ?? [], rows)] as const,
  )
  if (own.length === 0 && insets.every(([, , since]) => since === undefined)) return undefined
  return {
    text: withTaken(saved.text, now.text, own),
    labels: withTaken(saved.labels, now.labels, own),
    insets: Object.fromEntries(insets.map(([link, rows, since]) => [link, since ?? rows])),
  }
}

/**
 * A saved record's form whose rows go by what the rows that they were sent as went by, also where their keys were
 * changed: the same rows go on.
 */
export function marked(sent: FormText, saved: FormText): FormText {
  const insets = Object.entries(saved.insets).map(([link, rows]): [string, readonly RowText[]] => {
    const savedFrom = sources(sent.insets[link] ?? [], rows)
    const names = rows.map((row) => {
      const source = savedFrom.get(row)
      return source?.mark ?? source?.ref ?? row.ref
    })
    // Somebody else's row may have the key by now that one of ours went by.
    const isOwn = (name: string) => names.indexOf(name) === names.lastIndexOf(name)
    return [
      link,
      rows.map((row, at) => {
        const mark = names[at]
        return mark && mark !== row.ref && isOwn(mark) ? { ...row, mark } : row
      }),
    ]
  })
  return { ...saved, insets: Object.fromEntries(insets) }
}

const changed = (before: Typed, after: Typed) =>
  Object.keys(after).filter((field) => (after[field] ?? '') !== (before[field] ?? ''))

const withTaken = (saved: Typed, now: Typed, fields: readonly string[]): Typed => ({
  ...saved,
  ...Object.fromEntries(fields.flatMap((field) => (now[field] === undefined ? [] : [[field, now[field]]]))),
})

/** A stored row goes by its reference, a new one by its mark. */
const nameOf = (row: RowText) => row.ref ?? row.mark

function rowsSince(
  sent: readonly RowText[],
  now: readonly RowText[],
  saved: readonly RowText[],
): readonly RowText[] | undefined {
  const savedFrom = sources(sent, saved)
  const nowBy = new Map(now.map((row) => [nameOf(row), row]))
  const isSaved = new Set([...savedFrom.values()].map(nameOf))
  let isSame = true
  const rows = saved.map((row): RowText => {
    const source = savedFrom.get(row)
    if (!source) return row
    const after = nowBy.get(nameOf(source))
    // A new row that was taken out again while it was being saved.
    const removed = after ? after.removed && !source.removed : true
    const fields = after ? changed(source.text, after.text) : []
    if (!removed && fields.length === 0) return row
    isSame = false
    if (!after) return { ...row, removed }
    return {
      ...row,
      removed,
      text: withTaken(row.text, after.text, fields),
      labels: withTaken(row.labels, after.labels, fields),
    }
  })
  const wasSent = new Map(sent.map((row) => [nameOf(row), row]))
  const added = now.filter((row) => {
    if (row.ref !== null || row.removed || isSaved.has(nameOf(row))) return false
    const earlier = wasSent.get(nameOf(row))
    // An empty row that was there before and still is wasn't saved, and needn't come back.
    return !earlier || changed(earlier.text, row.text).length > 0
  })
  return isSame && added.length === 0 ? undefined : [...rows, ...added]
}

/**
 * For each saved row, the one it was sent as. A new row, or one whose key was changed, is known again by what stands
 * in it, and by its order.
 */
function sources(sent: readonly RowText[], saved: readonly RowText[]): Map<RowText, RowText> {
  const byRef = new Map(sent.flatMap((row) => (row.ref === null ? [] : [[row.ref, row]])))
  const found = new Map<RowText, RowText>()
  const fresh: RowText[] = []
  for (const row of saved) {
    const source = byRef.get(row.ref ?? '')
    if (source) found.set(row, source)
    else fresh.push(row)
  }
  const stays = new Set(saved.map((row) => row.ref))
  const waiting = sent.filter((row) => !row.removed && (row.ref === null || !stays.has(row.ref)))
  for (const row of fresh) {
    const likeness = (other: RowText) =>
      Object.keys(other.text).filter((field) => other.text[field] && other.text[field] === row.text[field]).length
    const best = waiting.reduce<RowText | undefined>(
      (so, one) => (!so || likeness(one) > likeness(so) ? one : so),
      undefined,
    )
    if (!best) continue
    found.set(row, best)
    waiting.splice(waiting.indexOf(best), 1)
  }
  return found
}
