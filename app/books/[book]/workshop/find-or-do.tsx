'use client'

import { useRouter } from 'next/navigation'
import { chapterNames } from '@/core/chapters'
import { FindDialog } from '@/ui/shell/find-dialog'
import { useWorkshop } from './workshop-context'

const roles = { joining: 'joining table', 'word-list': 'word list' }

/** Jumps to any chapter, table or field, and does the common acts, all by typing a few letters. */
export function FindOrDo({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { id, book, undo, redo } = useWorkshop()
  const router = useRouter()
  const go = (to: string) => () => router.push(`/books/${id}/workshop/${to}`)
  const acts = [
    { id: 'write', words: 'Write a need', pick: go('needs?write') },
    { id: 'form', words: 'Begin from a paper form', pick: go('needs/form') },
    { id: 'starter', words: 'Begin from a starter table', pick: go('needs/starter') },
    { id: 'sheet', words: 'Print the sign-off sheet of the needs', pick: go('needs/sheet') },
    { id: 'table', words: 'Add a table', pick: go('tables?add=table') },
    { id: 'list', words: 'Add a word list', pick: go('tables?add=list') },
    { id: 'next', words: 'Answer the next pair', pick: go('pairings?next') },
    { id: 'undo', words: 'Undo my last edit', hint: 'Ctrl Z', pick: undo },
    { id: 'redo', words: 'Redo', hint: 'Ctrl Y', pick: redo },
    { id: 'open', words: 'Open the book', pick: go('open') },
    { id: 'history', words: 'See the history', pick: go('history') },
    { id: 'look', words: 'Dates, numbers and money', pick: go('look') },
    { id: 'records', words: 'Go to Records', pick: () => router.push(`/books/${id}/records`) },
  ]
  return (
    <FindDialog
      open={open}
      onClose={onClose}
      placeholder="A table, a field, a chapter, or something to do"
      nothing="Nothing in this book has that name."
      groups={[
        { head: 'Do', rows: acts },
        {
          head: 'Chapters',
          rows: chapterNames.map((chapter) => ({
            id: `chapter-${chapter}`,
            words: chapter.charAt(0).toUpperCase() + chapter.slice(1),
            pick: go(chapter),
          })),
        },
        {
          head: 'Tables',
          rows: book.tables.map((table) => ({
            id: table.id,
            words: table.name,
            hint: table.role ? roles[table.role] : '',
            pick: go(`tables?table=${table.id}`),
          })),
        },
        {
          head: 'Fields',
          rows: book.tables.flatMap((table) =>
            table.fields.map((field) => ({
              id: field.id,
              words: field.name,
              hint: table.name,
              pick: go(`tables?table=${table.id}&field=${field.id}`),
            })),
          ),
        },
      ]}
    />
  )
}
