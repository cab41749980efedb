'use client'

import { type Editor, EditorContent } from '@tiptap/react'

/** The text of a document as it is written: on white, whichever theme. */
export const TextArea = ({ editor }: { readonly editor: Editor }) => (
  <div className="min-h-0 flex-1 overflow-y-auto bg-ash-2 px-6 py-5 max-md:px-2">
    <EditorContent
      editor={editor}
      className="document-text mx-auto min-h-[60vh] max-w-[680px] px-12 py-10 shadow-float max-md:px-5"
      style={{ background: '#ffffff', color: '#1d2422' }}
    />
  </div>
)
