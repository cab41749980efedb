import type { JSONContent } from '@tiptap/react'
import { Template } from '@/core/book'
import { templateOf } from './template-of'

const settings = { name: 'x', paper: { size: 'a4', margin: 20 }, letters: 10 }

/** Whether a text is one of a document: what comes from a clipboard or was kept by a browser may be anything. */
export function isDocument(text: JSONContent): boolean {
  try {
    const { name, ...own } = (text.attrs?.settings ?? settings) as typeof settings
    // A name that is being typed may be blank for a while.
    const whole = { ...text, attrs: { settings: { ...own, name: name.trim().slice(0, 60) || 'x' } } }
    return Template.safeParse(templateOf({ id: 'x', table: 'x' }, whole)).success
  } catch {
    return false
  }
}

/** Whether a part is one that a document can have. */
export const isPartOfDocument = (type: string, attrs: object): boolean =>
  isDocument({
    type: 'doc',
    content:
      type === 'chip'
        ? [{ type: 'paragraph', content: [{ type, attrs }] }]
        : [{ type, attrs, content: [{ type: 'paragraph' }] }],
  })
