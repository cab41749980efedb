'use client'

import {
  ConnectionLineType,
  Controls,
  type FitViewOptions,
  MiniMap,
  type Node,
  ReactFlow,
  useReactFlow,
} from '@xyflow/react'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type MapCard, step, tablesNear } from '@/core/map'
import { classNames } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { useIsFar } from './far'
import { MapLayers } from './map-layers'
import { type MapLook, MapLookContext } from './map-look'
import { MapCardNode } from './map-node'
import { RemarkNode } from './remark-node'
import { spokenWords } from './spoken-words'
import { useCards } from './use-cards'
import type { LaidMap } from './use-map'
import type { Traced } from './use-trace'
import { useMoves } from './use-moves'

const nodeTypes = { card: MapCardNode, remark: RemarkNode }
const noNodes: Node[] = []
const grid: [number, number] = [step, step]
const tieLine = { stroke: 'var(--spruce)', strokeWidth: 2 }
const options = { hideAttribution: true }
/** How long cards are waited for before the map is brought into sight as it is, in milliseconds; a machine may be busy. */
const patience = 20_000
/** The whole map in sight, clear of what can be done with chosen cards at the top. */
const whole: FitViewOptions = { padding: { top: '56px', x: '4%', bottom: '24px' }, maxZoom: 1 }

/** The table whose card is under the pointer. */
function tableAt(event: MouseEvent | TouchEvent): string | undefined {
  const { clientX, clientY } = 'changedTouches' in event ? event.changedTouches[0]! : event
  const under = document.elementFromPoint(clientX, clientY)
  // Let go on the dot itself, nothing was meant.
  if (under?.closest('.react-flow__handle')) return undefined
  return under?.closest<HTMLElement>('.react-flow__node-card')?.dataset.id
}

interface Props {
  readonly laid: LaidMap
  readonly chosen: ReadonlySet<string>
  /** How many links away from the chosen table, or the one pointed at, one looks; 0 for the whole map. */
  readonly lens: number
  readonly traced: Traced
  readonly onTie: (a: string, b: string) => void
}

/**
 * The drawing itself, where cards are moved. Apart from the tools and the margin, because everything in here is
 * drawn again with each step of a card under way.
 */
export function MapCanvas({ laid, chosen, lens, traced, onTie }: Props) {
  const { id, book } = useWorkshop()
  const router = useRouter()
  const { fitView, getNode } = useReactFlow()
  const [pointed, setPointed] = useState<string>()
  const { sheet, busy } = laid
  const { lit, press, point } = traced
  useCards(sheet, book.remarks)
  const { moved, onChanges } = useMoves(laid)
  const [moving, setMoving] = useState(false)
  const [fits, setFits] = useState(false)
  const far = useIsFar(moving || !fits, book.tables.length > 60)
  const [tying, setTying] = useState<string>()

  const centre = lens > 0 ? ([...chosen][0] ?? pointed) : undefined
  const near = useMemo(() => {
    if (lit) return lit.tables
    return centre ? tablesNear(book, centre, lens) : undefined
  }, [book, lit, centre, lens])
  const points = sheet?.reading.view === 'made-from'
  const look = useMemo((): MapLook => {
    const pinned = book.tables.flatMap((table) => (table.spot?.pinned ? [table.id] : []))
    return {
      near,
      lit: lit?.fields,
      pinned: new Set(pinned),
      far,
      tying,
      onRow: (field) => press({ kind: 'field', field }),
      onPoint: points ? (field) => point(field === undefined ? undefined : { kind: 'field', field }) : undefined,
    }
  }, [near, lit, book.tables, far, tying, press, point, points])

  const fitted = useRef('')
  const shape = sheet
    ? `${sheet.reading.detail} ${sheet.reading.sense} ${sheet.reading.view} ${sheet.cards.length} ${laid.turn}`
    : ''
  useEffect(() => {
    if (!sheet || fitted.current === shape) return
    // Only once the cards stand there with the sizes of this reading.
    const stands = ({ id: card, width, height }: MapCard) => {
      const node = getNode(card)
      return node?.width === width && node.height === height
    }
    const until = performance.now() + patience
    const fit = () => {
      if (performance.now() < until && !sheet.cards.every(stands)) return void (frame = requestAnimationFrame(fit))
      fitted.current = shape
      void fitView(whole).then(() => setFits(true))
    }
    let frame = requestAnimationFrame(fit)
    return () => cancelAnimationFrame(frame)
  }, [sheet, shape, fitView, getNode])

  // All of them stay the same functions: a new one would make every card look whether it has changed.
  const enter = useCallback((_event: unknown, node: Node) => setPointed(node.id), [])
  const leave = useCallback(() => setPointed(undefined), [])
  const toTable = useCallback(
    (_event: unknown, node: Node) =>
      node.type === 'card' && router.push(`/books/${id}/workshop/tables?table=${node.id}`),
    [id, router],
  )
  const release = useCallback(() => press(undefined), [press])
  const beginTie = useCallback(
    (_event: unknown, { nodeId }: { nodeId: string | null }) => setTying(nodeId ?? undefined),
    [],
  )
  const endTie = useCallback(
    (event: MouseEvent | TouchEvent, { fromNode }: { fromNode: { id: string } | null }) => {
      setTying(undefined)
      const to = tableAt(event)
      if (fromNode && to) onTie(fromNode.id, to)
    },
    [onTie],
  )
  const beginMove = useCallback(() => setMoving(true), [])
  const endMove = useCallback(() => setMoving(false), [])
  const many = (sheet?.cards.length ?? 0) + book.remarks.length

  return (
    <div
      className={classNames('absolute inset-0', moving && 'moving-map')}
      data-laid={sheet && !busy && moved.size === 0 ? 'yes' : 'no'}
    >
      <MapLookContext value={look}>
        <ReactFlow
          defaultNodes={noNodes}
          nodeTypes={nodeTypes}
          onNodesChange={onChanges}
          onNodeMouseEnter={lens > 0 ? enter : undefined}
          onNodeMouseLeave={leave}
          onNodeDoubleClick={toTable}
          onPaneClick={release}
          connectOnClick={false}
          connectionLineType={ConnectionLineType.Straight}
          connectionLineStyle={tieLine}
          onConnectStart={beginTie}
          onConnectEnd={endTie}
          snapToGrid
          snapGrid={grid}
          deleteKeyCode={null}
          minZoom={0.05}
          maxZoom={2}
          onlyRenderVisibleElements={many > 150}
          onMoveStart={beginMove}
          onMoveEnd={endMove}
          proOptions={options}
          ariaLabelConfig={spokenWords}
          aria-label="The map"
        >
          {sheet && (
            <MapLayers
              sheet={sheet}
              areas={book.areas}
              moved={moved}
              traced={traced}
              near={near}
              chosen={chosen}
              far={far}
            />
          )}
          <Controls
            showInteractive={false}
            fitViewOptions={whole}
            position="bottom-right"
            className="overflow-hidden rounded-md border border-ash-3 bg-paper [&>button]:size-7 [&>button]:hover:bg-ash-2"
          />
          {many > 30 && (
            <MiniMap
              pannable
              zoomable
              position="bottom-left"
              className="rounded-md border border-ash-3"
              bgColor="var(--paper)"
              maskColor="rgb(120 130 125 / 0.18)"
              nodeColor="var(--ash-4)"
            />
          )}
        </ReactFlow>
      </MapLookContext>
    </div>
  )
}
