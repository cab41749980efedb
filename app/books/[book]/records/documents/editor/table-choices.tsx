'use client'

import type { Editor } from '@tiptap/react'
import { Button, WordButton } from '@/ui/kit'

/** Rows and columns of the table that one writes in. */
export function TableChoices({ editor }: { readonly editor: Editor }) {
  const chain = () => editor.chain().focus()
  return (
    <section aria-label="The table" className="flex flex-col gap-2">
      <h3 className="font-semibold">The table</h3>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => chain().addRowAfter().run()}>Row after</Button>
        <Button onClick={() => chain().addColumnAfter().run()}>Column after</Button>
        <Button onClick={() => chain().deleteRow().run()}>Without row</Button>
        <Button onClick={() => chain().deleteColumn().run()}>Without column</Button>
      </div>
      <WordButton className="self-start" onClick={() => chain().toggleHeaderRow().run()}>
        The first row as headings, or not
      </WordButton>
      <WordButton className="self-start" onClick={() => chain().deleteTable().run()}>
        Take the table out
      </WordButton>
    </section>
  )
}
