import { type Book, type Link, tableOf } from '../book'

/** Rows that go when the record goes are part of it; joining rows are of no use elsewhere. */
export const isPartOf = (book: Book, link: Link) =>
  link.one !== link.many && (tableOf(book, link.many).role === 'joining' || link.onRemove === 'remove')
