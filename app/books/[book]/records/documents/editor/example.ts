'use client'

import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { createContext, use } from 'react'
import { officeNow } from '@/app/office-now'
import type { Book, ColumnShows, Template } from '@/core/book'
import type { ReadColumn } from '@/core/lists'
import { sayColumn } from '@/core/reports'
import { answerOf } from '../../paper/use-edition'
import type { DocumentExample } from '@/server/reports'
import { useSettled } from '../../use-settled'

/** The values of a record for a document that is being written: of the first one where none is named. */
export function useExample(base: string, template: Template, ref: string | undefined) {
  // What it is called changes nothing of it.
  const wish = useSettled(
    JSON.stringify({ template: { ...template, name: '…' }, ...(ref !== undefined && { ref }) }),
    500,
  )
  return useQuery({
    queryKey: ['document-example', base, wish],
    queryFn: ({ signal }) =>
      answerOf<DocumentExample | null>(
        fetch(`${base}/documents/example`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ ...(JSON.parse(wish) as object), moment: officeNow().moment }),
          signal,
        }),
      ),
    retry: false,
    placeholderData: keepPreviousData,
  })
}

/** What a part of the text needs to know of the document that it is in. */
export interface InDocument {
  readonly table: string
  readonly template: Template
  readonly example: DocumentExample | undefined
}

export const DocumentContext = createContext<InDocument | undefined>(undefined)

export function useDocument(): InDocument {
  const found = use(DocumentContext)
  if (!found) throw new Error('Expected to be in a document.')
  return found
}

/** What a column has in the record of the example, in words; undefined where there is no example. */
export function exampleOf(
  book: Book,
  { template, example }: InDocument,
  { shows, ...how }: { readonly shows: ColumnShows } & Parameters<typeof sayColumn>[3],
  column: ReadColumn,
): string | undefined {
  const text = JSON.stringify(shows)
  const known = template.columns.find((one) => JSON.stringify(one.shows) === text)
  const cell = known && example?.cells[known.id]
  return cell === undefined ? undefined : sayColumn(book, column, { cells: { [column.id]: cell } }, how)
}
