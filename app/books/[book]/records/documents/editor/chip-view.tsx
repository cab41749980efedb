'use client'

import { type NodeViewProps, NodeViewWrapper } from '@tiptap/react'
import { classNames } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { columnOf } from './column-of'
import { exampleOf, useDocument } from './example'
import type { ChipParts } from './text-of'

export const saidNames = {
  today: 'Today',
  who: 'Who hands it out',
  book: 'Name of the book',
  number: 'Its number',
} as const

/** What a chip is called; what is wrong with it, where something is. */
export function useChip(parts: ChipParts) {
  const { book } = useRecords()
  const within = useDocument()
  if ('what' in parts) return { name: saidNames[parts.what], example: undefined, why: undefined, column: undefined }
  const found = columnOf(book, within.table, parts.shows, parts.heading)
  if ('why' in found) return { name: 'A field that is gone', example: undefined, why: found.why, column: undefined }
  const { column } = found
  return { name: column.heading, example: exampleOf(book, within, parts, column) || parts.none, why: undefined, column }
}

/** A field in a line of text: what it is called, and what the record of the example has there. */
export function ChipView({ node, selected }: NodeViewProps) {
  const { name, example, why } = useChip(node.attrs.parts as ChipParts)
  return (
    <NodeViewWrapper
      as="span"
      title={why}
      className={classNames(
        'mx-px inline rounded-[4px] border px-1 py-px [box-decoration-break:clone]',
        why ? 'border-[#b3401f] bg-[#fbe9e3]' : 'border-[#b9d3cf] bg-[#e7f1ef]',
        selected && 'outline-2 outline-[#14625c]',
      )}
    >
      <span className="text-[#14423e]">{name}</span>
      {example !== undefined && example !== '' && <span className="text-[#465049]"> {example}</span>}
    </NodeViewWrapper>
  )
}
