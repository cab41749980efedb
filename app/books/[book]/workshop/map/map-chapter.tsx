'use client'

import '@xyflow/react/dist/base.css'
import {
  Controls,
  type Edge,
  type Node,
  type NodeChange,
  ReactFlow,
  ReactFlowProvider,
  useNodesState,
  useReactFlow,
} from '@xyflow/react'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import { footWords } from '@/core/pairings'
import { type Box, mapDrawing, routeLines } from '@/core/map'
import { Button, Empty, Note } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { layOut } from '@/workers/lay-out'
import { UnmetNote } from '../needs-met'
import { useWorkshop } from '../workshop-context'
import { MapCardNode } from './map-card'
import { MapLineEdge } from './map-line'

const nodeTypes = { card: MapCardNode }
const edgeTypes = { line: MapLineEdge }

/** The fifth chapter: all tables as cards and all links in crow's foot, laid out by the program or by hand. */
export function MapChapter() {
  const { id, book } = useWorkshop()
  const router = useRouter()
  if (book.tables.length === 0) {
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
  return (
    <ReactFlowProvider>
      <Drawing />
    </ReactFlowProvider>
  )
}

function Drawing() {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  const { fitView } = useReactFlow()
  const { cards, lines } = useMemo(() => mapDrawing(book), [book])
  const laid = useLayout(cards, lines)
  const [nodes, setNodes, onNodesChange] = useNodesState<Node>([])
  const shape = cards.map(({ table, height }) => `${table.id}:${height}`).join()

  useEffect(() => {
    if (!laid) return
    setNodes(
      cards.map(({ table, width, height }) => ({
        id: table.id,
        type: 'card',
        position: table.spot ?? laid[table.id] ?? { x: 0, y: 0 },
        data: { table },
        width,
        height,
        ariaLabel: `Table ${table.name}`,
      })),
    )
  }, [cards, laid, setNodes])

  const fitted = useRef('')
  useEffect(() => {
    if (nodes.length === 0 || fitted.current === shape) return
    fitted.current = shape
    void fitView({ padding: 0.08, maxZoom: 1 })
  }, [nodes.length, shape, fitView])

  const edges: Edge[] = useMemo(() => {
    const boxes = new Map<string, Box>(
      nodes.map((node) => [node.id, { ...node.position, width: node.width ?? 0, height: node.height ?? 0 }]),
    )
    const routes = routeLines(lines, boxes)
    return lines.map((line) => ({
      id: line.id,
      type: 'line',
      source: line.one,
      target: line.many,
      data: { line, route: routes.get(line.id) },
      focusable: false,
      ariaLabel: line.label,
    }))
  }, [lines, nodes])
  const keepMoved = (changes: NodeChange[]) => {
    // The arrow keys move a chosen card without a drag; its place is kept when they rest.
    const moved = changes.flatMap((change) =>
      change.type === 'position' && change.dragging === false && change.position
        ? [{ table: change.id, ...change.position }]
        : [],
    )
    if (moved.length > 0) edit({ kind: 'placeTables', spots: moved })
  }
  const placed = cards.some(({ table }) => table.spot)
  return (
    <Room
      bare
      margin={
        <>
          <Note mark="info" head={`${cards.length} tables, ${lines.length} links`}>
            Drag a card, or choose it and use the arrow keys. Double-click goes to the table.
          </Note>
          <UnmetNote book={book} id={id} />
        </>
      }
    >
      <div className="flex h-full flex-col">
        <div className="flex min-h-[52px] items-center justify-between gap-4 border-b border-ash-3 px-4">
          <h1 className="text-base">Map</h1>
          <div className="flex items-center gap-3">
            <Button small onClick={() => void fitView({ padding: 0.08, maxZoom: 1, duration: 200 })}>
              See all
            </Button>
            <Button small disabled={!placed} onClick={() => (fitted.current = '') || edit({ kind: 'tidyMap' })}>
              Tidy up
            </Button>
          </div>
        </div>
        <div className="relative min-h-0 flex-1 bg-ash-1" data-laid={laid ? 'yes' : 'no'}>
          {!laid && (
            <p className="absolute inset-0 flex items-center justify-center text-ash-6">Laying out the map …</p>
          )}
          <ReactFlow
            nodes={nodes}
            edges={edges}
            nodeTypes={nodeTypes}
            edgeTypes={edgeTypes}
            onNodesChange={(changes) => {
              onNodesChange(changes)
              keepMoved(changes)
            }}
            onNodeDoubleClick={(_event, node) => router.push(`/books/${id}/workshop/tables?table=${node.id}`)}
            nodesConnectable={false}
            deleteKeyCode={null}
            minZoom={0.15}
            maxZoom={1.6}
            proOptions={{ hideAttribution: true }}
          >
            <Controls showInteractive={false} position="bottom-right" />
          </ReactFlow>
          <MapInWords />
        </div>
      </div>
    </Room>
  )
}

/** Where the program would put the cards; undefined until it has worked that out. */
function useLayout(cards: ReturnType<typeof mapDrawing>['cards'], lines: ReturnType<typeof mapDrawing>['lines']) {
  const [laid, setLaid] = useState<Awaited<ReturnType<typeof layOut>>>()
  const shape = JSON.stringify([
    cards.map(({ table, height }) => [table.id, height]),
    lines.map((line) => [line.one, line.many]),
  ])
  useEffect(() => {
    let ended = false
    void layOut(cards, lines).then((spots) => !ended && setLaid(spots))
    return () => {
      ended = true
    }
    // Names and settings don't move cards; only their sizes and links do.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shape])
  return laid
}

/** The same map as a list, for those who don't see the drawing. */
function MapInWords() {
  const { book } = useWorkshop()
  const { lines } = mapDrawing(book)
  const name = (id: string) => book.tables.find((table) => table.id === id)?.name
  return (
    <ul aria-label="The map in words" className="sr-only">
      {lines.map((line) => (
        <li key={line.id}>
          {name(line.one)} ({footWords[line.atOne]}) — {line.label} — {name(line.many)} ({footWords[line.atMany]})
        </li>
      ))}
    </ul>
  )
}
