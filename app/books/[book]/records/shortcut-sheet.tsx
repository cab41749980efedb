'use client'

import { Dialog } from '@/ui/kit'

const shortcuts = [
  ['Save the record', 'Ctrl S'],
  ['New record', 'Alt N'],
  ['Find a record of this table', '/'],
  ['Find or do', 'Ctrl K'],
  ['Previous and next record', 'Alt ↑   Alt ↓'],
  ['Repeat the last record’s value', 'Alt R'],
  ['Add a row to the grid one is in', 'Alt A'],
  ['The row below, the row above', 'Enter   Shift Enter'],
  ['Repeat the value of the row above', 'Alt R'],
  ['Grid: type into a cell, go back to what was there', 'F2   Esc'],
  ['Grid: fill down what is chosen', 'Alt R'],
  ['Grid: the blank line, the next wrong cell', 'Alt A   Alt W'],
  ['Grid: take a row out, or as it was', 'Alt Del'],
  ['Undo, redo', 'Ctrl Z   Ctrl Y'],
  ['Next field, previous field', 'Tab   Shift Tab'],
  ['Open the list of a link', '↓'],
  ['This sheet', '?'],
] as const

export function ShortcutSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keyboard shortcuts">
      <dl className="mt-2">
        {shortcuts.map(([what, keys]) => (
          <div key={what} className="flex items-center justify-between gap-4 border-b border-ash-3 py-1.5">
            <dt>{what}</dt>
            <dd className="font-mono text-[13px] whitespace-pre text-ash-6">{keys}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  )
}
