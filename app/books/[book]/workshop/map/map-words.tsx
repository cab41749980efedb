'use client'

import { memo } from 'react'
import type { Book } from '@/core/book'
import { type AnyLine, isStream, sayDependency } from '@/core/map'
import { footWords } from '@/core/pairings'

interface Props {
  readonly book: Book
  readonly lines: readonly AnyLine[]
}

/** The same map as a list of tables, each with its links, or what is made from it, for those who don't see the drawing. */
export const MapInWords = memo(function MapInWords({ book, lines }: Props) {
  const name = (id: string) => book.tables.find((table) => table.id === id)?.name ?? ''
  return (
    <ul aria-label="The map in words" className="sr-only">
      {book.tables.map((table) => {
        const own = lines.filter(({ one, many }) => one === table.id || many === table.id)
        return (
          <li key={table.id}>
            {table.name}
            {own.length > 0 && (
              <ul>
                {own.map((line) => (
                  <li key={line.id}>
                    {isStream(line) ? (
                      line.of.map((one) => sayDependency(book, one)).join('; ')
                    ) : line.one === table.id ? (
                      <>
                        {line.label || 'linked'} to {name(line.many)}: {footWords[line.atMany]}
                      </>
                    ) : (
                      <>
                        {line.back || line.label || 'linked'}, from {name(line.one)}: {footWords[line.atOne]}
                      </>
                    )}
                  </li>
                ))}
              </ul>
            )}
          </li>
        )
      })}
    </ul>
  )
})
