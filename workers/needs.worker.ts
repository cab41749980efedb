import { expose } from 'comlink'
import type { Book } from '@/core/book'
import { type Proposals, proposalsFor } from '@/core/needs'
import { readNeeds } from '@/core/reading'

const reader = {
  proposalsFor: (book: Book): Proposals => proposalsFor(book, readNeeds(book.needs.map((need) => need.text))),
}
export type NeedsReader = typeof reader

expose(reader)
