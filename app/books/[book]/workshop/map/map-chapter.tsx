'use client'

import '@xyflow/react/dist/base.css'
import { ReactFlowProvider } from '@xyflow/react'
import { useRouter } from 'next/navigation'
import { Button, Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWorkshop } from '../workshop-context'
import { MapSheet } from './map-sheet'

/** The fifth chapter: all tables as cards and all links in crow's foot, laid out by the program or by hand. */
export function MapChapter() {
  const { id, book } = useWorkshop()
  const router = useRouter()
  if (book.tables.length > 0)
    return (
      <ReactFlowProvider>
        <MapSheet />
      </ReactFlowProvider>
    )
  return (
    <Room>
      <h1 className="mb-4 text-[22px]">Map</h1>
      <Empty
        head="There is nothing to draw yet"
        action={
          <Button look="main" onClick={() => router.push(`/books/${id}/workshop/tables?add=table`)}>
            Add a table
          </Button>
        }
      >
        Tables and their links appear here by themselves as you make them.
      </Empty>
    </Room>
  )
}
