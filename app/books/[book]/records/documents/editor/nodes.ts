import { type Attribute, mergeAttributes, Node } from '@tiptap/core'
import Document from '@tiptap/extension-document'
import Paragraph from '@tiptap/extension-paragraph'
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table'
import TextAlign from '@tiptap/extension-text-align'
import { ReactNodeViewRenderer } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import {
  AddressView,
  CodeView,
  FieldsView,
  OnlyView,
  PageTurnView,
  PictureView,
  RoomView,
  RowsView,
  SignaturesView,
} from './block-views'
import { ChipView } from './chip-view'
import { isPartOfDocument } from './is-document'
import { MailView } from './mail-view'

/** An attribute that is more than a word, so that it is whole again after it was copied. */
const json = (name: string): Attribute => ({
  default: null,
  parseHTML: (element) => readJson(element.getAttribute(`data-${name}`)),
  renderHTML: (attributes) => ({ [`data-${name}`]: JSON.stringify(attributes[name]) }),
})

function readJson(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null')
  } catch {
    return null
  }
}

interface Atom {
  readonly name: string
  readonly attributes: readonly string[]
  readonly view: Parameters<typeof ReactNodeViewRenderer>[0]
  readonly inline?: boolean
  /** What stands in it, where it isn't a whole by itself. */
  readonly content?: string
  /** It stands before the text, and nowhere in it. */
  readonly apart?: true
}

const partNode = ({ name, attributes, view, inline = false, content, apart }: Atom) =>
  Node.create({
    name,
    ...(!apart && { group: inline ? 'inline' : 'block' }),
    inline,
    atom: content === undefined,
    selectable: true,
    draggable: content === undefined,
    defining: content !== undefined,
    isolating: content !== undefined,
    ...(content !== undefined && { content }),
    addAttributes: () => Object.fromEntries(attributes.map((one) => [one, json(one)])),
    parseHTML: () => [
      {
        tag: `${inline ? 'span' : 'div'}[data-part="${name}"]`,
        // A clipboard may hold anything: what no document can have stays out.
        getAttrs: (element) => {
          const attrs = Object.fromEntries(
            attributes.map((one) => [one, readJson(element.getAttribute(`data-${one}`))]),
          )
          return isPartOfDocument(name, attrs) ? null : false
        },
      },
    ],
    renderHTML: ({ HTMLAttributes }) => [
      inline ? 'span' : 'div',
      mergeAttributes(HTMLAttributes, { 'data-part': name }),
      ...(content === undefined ? [] : [0]),
    ],
    addNodeView: () => ReactNodeViewRenderer(view),
  })

/** What a document's text is made of. What isn't its text is kept with the whole, so that it is undone alike. */
export const documentNodes = [
  StarterKit.configure({
    document: false,
    paragraph: false,
    blockquote: false,
    code: false,
    codeBlock: false,
    italic: false,
    link: false,
    strike: false,
    underline: false,
    heading: { levels: [1, 2] },
  }),
  Document.extend({ content: 'mail? block+', addAttributes: () => ({ settings: json('settings') }) }),
  Paragraph.extend({
    addAttributes: () => ({
      small: {
        default: false,
        parseHTML: (element) => element.hasAttribute('data-small'),
        renderHTML: ({ small }) => (small ? { 'data-small': '' } : {}),
      },
    }),
  }),
  TextAlign.configure({ types: ['paragraph', 'heading'], alignments: ['left', 'center', 'right'] }),
  partNode({ name: 'chip', attributes: ['parts'], view: ChipView, inline: true }),
  partNode({ name: 'fields', attributes: ['parts'], view: FieldsView }),
  partNode({ name: 'code', attributes: ['parts'], view: CodeView }),
  partNode({ name: 'rows', attributes: ['parts'], view: RowsView }),
  partNode({ name: 'picture', attributes: ['parts'], view: PictureView }),
  Table.configure({ resizable: false, HTMLAttributes: { class: 'own-table' } }),
  TableRow,
  TableCell.extend({ content: 'paragraph' }),
  TableHeader.extend({ content: 'paragraph' }),
  partNode({ name: 'room', attributes: ['lines'], view: RoomView }),
  partNode({ name: 'signatures', attributes: ['of'], view: SignaturesView }),
  partNode({ name: 'pageTurn', attributes: [], view: PageTurnView }),
  partNode({ name: 'mail', attributes: ['parts'], view: MailView, content: 'paragraph+', apart: true }),
  partNode({ name: 'address', attributes: [], view: AddressView, content: 'paragraph+' }),
  partNode({ name: 'only', attributes: ['id', 'when'], view: OnlyView, content: 'block+' }),
]
