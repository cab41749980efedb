import { useLayoutEffect, useRef, useState } from 'react'
import type { UseFormReturn } from 'react-hook-form'
import { type FormText, type ListRow, marked, typedSince } from '@/core/records'
import { clearDraft, keepDraft, takeDraft } from './drafts'
import { takesOver } from './own-page'
import { noteBlank } from './last-blank'

/** Whose form it is. */
interface Place {
  readonly book: string
  readonly table: string
  readonly row: ListRow | undefined
  readonly frame: React.RefObject<HTMLFormElement | null>
  /** Forms inside another one keep no drafts. */
  readonly drafts: boolean
}

/**
 * What stands in a form: what the record begins with, and on it whatever was typed and isn't saved, now and each
 * time the record is stored anew. It is put there before the page takes the next letter, so none is lost.
 * @returns `found` when what stands there is a draft of another time, and `sent` to say what was just saved
 */
export function useTyping(form: UseFormReturn<FormText>, start: FormText, place: Place) {
  const { book, table, row, frame, drafts } = place
  const begun = useRef<{ readonly text: FormText; readonly row: ListRow | undefined }>(undefined)
  const sent = useRef<FormText>(undefined)
  const chosen = useRef<FormText>(undefined)
  const [found, setFound] = useState(false)
  useLayoutEffect(() => {
    const before = begun.current
    const was = sent.current ?? before?.text
    const text = was ? marked(was, start) : start
    const since = () =>
      was ? typedSince(was, form.getValues(), text) : drafts ? takeDraft(book, table, row) : undefined
    const typed = chosen.current ?? since()
    chosen.current = undefined
    begun.current = { text, row }
    if (sent.current) noteBlank(frame.current)
    sent.current = undefined
    form.reset(structuredClone<FormText>(text))
    if (typed) form.reset(typed, { keepDefaultValues: true })
    setFound(typed !== undefined && !before && !takesOver(row?.ref))
    if (!drafts) return
    if (before && before.row !== row) {
      clearDraft(book, table, before.row)
      if (typed) keepDraft(book, table, row, typed)
    }
    const watching = form.watch((typing) => keepDraft(book, table, row, typing as FormText))
    return () => watching.unsubscribe()
  }, [form, start, book, table, row, frame, drafts])
  return {
    found,
    sent(text: FormText): void {
      sent.current = text
    },
    /** What was chosen from two versions: it stands on the other one, as soon as that is what the form begins with. */
    choose(text: FormText): void {
      chosen.current = text
    },
    /** Back to what the record began with. */
    takeBack(): void {
      clearDraft(book, table, row)
      form.reset(structuredClone<FormText>(begun.current?.text ?? start))
    },
  }
}
