import type { JSONContent } from '@tiptap/react'
import type { Template } from '@/core/book'
import { sameJson } from '@/core/words'
import { isDocument } from './is-document'

// Of this window: whoever goes to another page by mistake finds what was written when they come back.
const nameOf = (book: string, place: string) => `hearth-document ${book} ${place}`

interface Draft {
  readonly before: Template | null
  readonly text: JSONContent
}

/** What was written here and not kept; nothing where the document was changed by somebody else since. */
export function draftOf(book: string, place: string, before: Template | undefined): JSONContent | undefined {
  try {
    const draft = JSON.parse(sessionStorage.getItem(nameOf(book, place)) ?? 'null') as Draft | null
    return draft && sameJson(draft.before, before ?? null) && isDocument(draft.text) ? draft.text : undefined
  } catch {
    return undefined
  }
}

export function keepDraft(book: string, place: string, before: Template | undefined, text: JSONContent): void {
  try {
    sessionStorage.setItem(nameOf(book, place), JSON.stringify({ before: before ?? null, text }))
  } catch {
    // A browser that keeps nothing does without.
  }
}

export function forgetDraft(book: string, place: string): void {
  try {
    sessionStorage.removeItem(nameOf(book, place))
  } catch {
    // Nothing was kept.
  }
}
