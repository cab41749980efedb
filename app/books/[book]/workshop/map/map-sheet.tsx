'use client'

import { Controls, MiniMap, ReactFlow, useReactFlow } from '@xyflow/react'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import { findTable } from '@/core/book'
import {
  type Alignment,
  align,
  type DependencyKind,
  dependencyKinds,
  type MapReading,
  spaceOut,
  step,
  tableOfField,
  tablesNear,
} from '@/core/map'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useWorkshop } from '../workshop-context'
import { ArrangeBar } from './arrange-bar'
import { MapLayers } from './map-layers'
import { type MapLook, MapLookContext } from './map-look'
import { MapMargin } from './map-margin'
import { MapCardNode } from './map-node'
import { MapTools } from './map-tools'
import { MapInWords } from './map-words'
import { RemarkNode } from './remark-node'
import { SavePicture } from './save/save-picture'
import { TieDialog } from './tie-dialog'
import { useCards } from './use-cards'
import { useDependencies } from './use-dependencies'
import { useMap } from './use-map'
import { useMoves } from './use-moves'

const nodeTypes = { card: MapCardNode, remark: RemarkNode }

/** The drawing with its tools, and what is said beside it. */
export function MapSheet() {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  const { fitView } = useReactFlow()
  const [reading, setReading] = useState<MapReading>({ detail: 'fields', sense: 'office' })
  const [drawnKinds, setDrawnKinds] = useState<ReadonlySet<DependencyKind>>(new Set(['link']))
  // Of a chosen field everything is shown at first.
  const [tracedKinds, setTracedKinds] = useState<ReadonlySet<DependencyKind>>(new Set(dependencyKinds))
  const [lens, setLens] = useState(0)
  const [pointed, setPointed] = useState<string>()
  const [field, setField] = useState<string>()
  const [kinds, setKinds] = field ? [tracedKinds, setTracedKinds] : [drawnKinds, setDrawnKinds]
  const [tying, setTying] = useState<readonly [string, string]>()
  const [saving, setSaving] = useState(false)
  const laid = useMap(id, book, reading)
  const { sheet, busy, kept, again } = laid
  const cards = useCards(sheet, book.remarks)
  const { nodes, chosen, boxesNow } = cards
  const { moved, moving, place } = useMoves(laid, cards)
  const { trace, lit, bows } = useDependencies(book, sheet, field, kinds)

  const centre = lens > 0 ? ([...chosen][0] ?? pointed) : undefined
  const near = useMemo(() => {
    if (lit) return new Set([...lit].flatMap((one) => tableOfField(book, one) ?? []))
    return centre ? tablesNear(book, centre, lens) : undefined
  }, [book, lit, centre, lens])
  const look = useMemo((): MapLook => {
    const pinned = book.tables.flatMap((table) => (table.spot?.pinned ? [table.id] : []))
    return { near, lit, pinned: new Set(pinned), onRow: setField }
  }, [near, lit, book.tables])

  const fitted = useRef('')
  const shape = sheet ? `${sheet.reading.detail} ${sheet.reading.sense} ${sheet.cards.length}` : ''
  useEffect(() => {
    if (!shape || nodes.length === 0 || fitted.current === shape) return
    fitted.current = shape
    // Only once the cards have the sizes of this reading.
    setTimeout(() => void fitView({ padding: 0.06, maxZoom: 1 }), 60)
  }, [nodes, shape, fitView])

  const arrange = (how: Alignment | 'across' | 'down') => {
    const boxes = boxesNow(chosen)
    place(how === 'across' || how === 'down' ? spaceOut(boxes, how) : align(boxes, how))
  }
  const tidy = () => {
    if (book.tables.some(({ spot }) => spot && !spot.pinned)) edit({ kind: 'tidyMap' })
    again()
    fitted.current = ''
  }
  const letGo = () => {
    setField(undefined)
    cards.choose(undefined)
  }
  useKeys({ Escape: letGo }, {})

  const choose = (table: string) => {
    setField(undefined)
    cards.choose(table)
    void fitView({ nodes: [{ id: table }], maxZoom: 1, padding: 1.2, duration: 200 })
  }
  const pin = (pinned: boolean) => {
    const spots = Object.entries(kept(boxesNow(chosen))).map(([table, spot]) => ({ table, ...spot }))
    if (spots.length > 0) edit({ kind: 'pinTables', spots, pinned })
  }
  const [from, to] = (tying ?? []).map((one) => findTable(book, one))
  return (
    <Room
      bare
      margin={
        <MapMargin
          sheet={sheet}
          chosen={chosen}
          field={field}
          trace={trace}
          onField={setField}
          onChoose={choose}
          onTie={(a, b) => setTying([a, b])}
        />
      }
    >
      <div className="flex h-full flex-col">
        <MapTools
          book={book}
          reading={reading}
          onReading={setReading}
          kinds={kinds}
          onKinds={setKinds}
          lens={lens}
          onLens={setLens}
          onFind={choose}
          onTidy={tidy}
          onSave={() => setSaving(true)}
        />
        <div className="relative min-h-0 flex-1 bg-ash-1" data-laid={sheet && !busy && moved.size === 0 ? 'yes' : 'no'}>
          {!sheet && <p className="absolute inset-0 flex items-center justify-center text-ash-6">Drawing the map …</p>}
          {chosen.size > 0 && (
            <ArrangeBar
              count={chosen.size}
              pinned={[...chosen].every((one) => findTable(book, one)?.spot?.pinned)}
              onArrange={arrange}
              onPin={pin}
              tables={[...chosen]}
            />
          )}
          <MapLookContext value={look}>
            <ReactFlow
              nodes={nodes}
              nodeTypes={nodeTypes}
              onNodesChange={moving}
              onNodeMouseEnter={(_event, node) => setPointed(node.id)}
              onNodeMouseLeave={() => setPointed(undefined)}
              onNodeDoubleClick={(_event, node) =>
                node.type === 'card' && router.push(`/books/${id}/workshop/tables?table=${node.id}`)
              }
              onPaneClick={() => setField(undefined)}
              onConnect={({ source, target }) => setTying([source, target])}
              snapToGrid
              snapGrid={[step, step]}
              deleteKeyCode={null}
              minZoom={0.05}
              maxZoom={2}
              onlyRenderVisibleElements={nodes.length > 150}
              proOptions={{ hideAttribution: true }}
            >
              {sheet && (
                <MapLayers
                  sheet={sheet}
                  areas={book.areas}
                  moved={moved}
                  showsLinks={kinds.has('link')}
                  bows={moved.size > 0 ? [] : bows}
                  near={near}
                  chosen={chosen}
                />
              )}
              <Controls showInteractive={false} position="bottom-right" />
              {nodes.length > 30 && (
                <MiniMap
                  pannable
                  zoomable
                  position="bottom-left"
                  ariaLabel="The whole map"
                  className="rounded-md border border-ash-3"
                  bgColor="var(--paper)"
                  maskColor="rgb(120 130 125 / 0.18)"
                  nodeColor="var(--ash-4)"
                />
              )}
            </ReactFlow>
          </MapLookContext>
          {sheet && <MapInWords book={book} lines={sheet.lines} />}
        </div>
      </div>
      {from && to && <TieDialog a={from} b={to} onClose={() => setTying(undefined)} />}
      {saving && sheet && (
        <SavePicture
          sheet={sheet}
          bows={bows}
          showsLinks={kinds.has('link')}
          lit={lit}
          onClose={() => setSaving(false)}
        />
      )}
    </Room>
  )
}
