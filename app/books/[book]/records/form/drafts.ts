import type { FormText, ListRow } from '@/core/records'

const placeOf = (book: string, table: string, row: ListRow | undefined) =>
  `hearth-draft-${book}-${table}-${row ? `${row.ref}-${row.rev}` : 'new'}`

/** Keeps what is being typed in this browser tab, so that leaving a form by accident loses nothing. */
export function keepDraft(book: string, table: string, row: ListRow | undefined, text: FormText): void {
  try {
    sessionStorage.setItem(placeOf(book, table, row), JSON.stringify(text))
  } catch {
    // A tab whose memory is full goes without drafts; saving still works.
  }
}

/** What was typed and not saved for the same state of the same record. */
export function takeDraft(book: string, table: string, row: ListRow | undefined): FormText | undefined {
  if (typeof window === 'undefined') return undefined
  const kept = sessionStorage.getItem(placeOf(book, table, row))
  return kept ? (JSON.parse(kept) as FormText) : undefined
}

export const clearDraft = (book: string, table: string, row: ListRow | undefined) =>
  sessionStorage.removeItem(placeOf(book, table, row))
