'use client'

import { Controls, MiniMap, type Node, ReactFlow, useNodesState, useReactFlow } from '@xyflow/react'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { findTable } from '@/core/book'
import {
  type Alignment,
  align,
  type Box,
  bowsOf,
  dependencies,
  type DependencyKind,
  type MapReading,
  spaceOut,
  step,
  tableOfField,
  tablesNear,
  traceOf,
} from '@/core/map'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useWorkshop } from '../workshop-context'
import { ArrangeBar } from './arrange-bar'
import { MapLayers } from './map-layers'
import { MapMargin } from './map-margin'
import { type CardData, MapCardNode } from './map-node'
import { MapTools } from './map-tools'
import { MapInWords } from './map-words'
import { type DrawnSheet, useMap } from './use-map'
import { RemarkNode } from './remark-node'
import { SavePicture } from './save/save-picture'
import { TieDialog } from './tie-dialog'

const nodeTypes = { card: MapCardNode, remark: RemarkNode }
const noMoves: ReadonlyMap<string, Box> = new Map()

/** Cards that stand elsewhere than a drawing has them. */
interface Moves {
  readonly of: DrawnSheet | undefined
  readonly boxes: ReadonlyMap<string, Box>
}

/** The drawing with its tools, and what is said beside it. */
export function MapSheet() {
  const { id, book, edit } = useWorkshop()
  const router = useRouter()
  const { fitView } = useReactFlow()
  const [reading, setReading] = useState<MapReading>({ detail: 'fields', sense: 'office' })
  const [kinds, setKinds] = useState<ReadonlySet<DependencyKind>>(new Set(['link']))
  const [lens, setLens] = useState(0)
  const [pointed, setPointed] = useState<string>()
  const [field, setField] = useState<string>()
  const [moves, setMoves] = useState<Moves>()
  const [tying, setTying] = useState<readonly [string, string]>()
  const [saving, setSaving] = useState(false)
  const { sheet, busy, kept, again } = useMap(id, book, reading)
  const [nodes, setNodes, onNodesChange] = useNodesState<Node>([])
  // Once it is drawn anew, everything has its way again.
  const moved = moves && moves.of === sheet ? moves.boxes : noMoves

  const chosen = useMemo(
    () => new Set(nodes.filter((node) => node.selected && node.type === 'card').map((node) => node.id)),
    [nodes],
  )
  const trace = useMemo(() => (field ? traceOf(book, field, everyKind) : undefined), [book, field])
  const lit = useMemo(
    () => trace && new Set([field!, ...[...trace.on, ...trace.of].flatMap(({ from, to }) => [from, to])]),
    [trace, field],
  )
  const centre = lens > 0 ? ([...chosen][0] ?? pointed) : undefined
  const near = useMemo(() => {
    if (lit) return new Set([...lit].flatMap((one) => tableOfField(book, one) ?? []))
    return centre ? tablesNear(book, centre, lens) : undefined
  }, [book, lit, centre, lens])

  const factor = sheet?.drawn.factor ?? 1
  useEffect(() => {
    if (!sheet) return
    const { cards, drawn } = sheet
    setNodes((before) => {
      const selected = new Set(before.filter((node) => node.selected).map((node) => node.id))
      return [
        ...cards.map((card): Node => {
          const { x, y } = drawn.boxes.get(card.id)!
          const data: CardData = { card, faded: false, pinned: false, lit: undefined, onRow: setField }
          return {
            id: card.id,
            type: 'card',
            position: { x, y },
            data,
            width: card.width,
            height: card.height,
            selected: selected.has(card.id),
            ariaLabel: `Table ${card.title}`,
          }
        }),
        ...book.remarks.map((remark): Node => ({
          id: remark.id,
          type: 'remark',
          position: { x: remark.x * drawn.factor, y: remark.y * drawn.factor },
          data: { remark },
          selected: selected.has(remark.id),
          ariaLabel: `Note: ${remark.text}`,
        })),
      ]
    })
  }, [sheet, book.remarks, setNodes])

  // What a card looks like changes without its place.
  const shown = useMemo(
    () =>
      nodes.map((node) => {
        if (node.type !== 'card') return near ? { ...node, style: { opacity: 0.3 } } : node
        const faded = near !== undefined && !near.has(node.id)
        const pinned = findTable(book, node.id)?.spot?.pinned === true
        return { ...node, data: { ...node.data, faded, pinned, lit } }
      }),
    [nodes, near, lit, book],
  )

  const fitted = useRef('')
  const shape = sheet ? `${sheet.reading.detail} ${sheet.reading.sense} ${sheet.cards.length}` : ''
  useEffect(() => {
    if (!shape || nodes.length === 0 || fitted.current === shape) return
    fitted.current = shape
    // Only once the cards have the sizes of this reading.
    requestAnimationFrame(() => void fitView({ padding: 0.06, maxZoom: 1 }))
  }, [nodes, shape, fitView])

  const boxesNow = useCallback(
    (ids: ReadonlySet<string>) =>
      new Map(
        nodes.flatMap((node): [string, Box][] =>
          ids.has(node.id) && node.type === 'card'
            ? [[node.id, { ...node.position, width: node.width ?? 0, height: node.height ?? 0 }]]
            : [],
        ),
      ),
    [nodes],
  )

  /** Keeps where cards are. The first time one is moved all of them are kept, so that none moves by itself. */
  const place = useCallback(
    (points: ReadonlyMap<string, { readonly x: number; readonly y: number }>) => {
      if (!sheet || points.size === 0) return
      const unplaced = book.tables.some(({ id: table, spot }) => !spot && sheet.drawn.boxes.has(table))
      const all = unplaced ? new Map([...sheet.drawn.boxes, ...points]) : points
      const spots = Object.entries(kept(all)).map(([table, spot]) => ({ table, ...spot }))
      edit({ kind: 'placeTables', spots })
    },
    [sheet, book.tables, kept, edit],
  )

  const settle = useRef<ReturnType<typeof setTimeout>>(undefined)
  const moving = (changes: Parameters<typeof onNodesChange>[0]) => {
    onNodesChange(changes)
    const ids = new Set(changes.flatMap((change) => (change.type === 'position' ? [change.id] : [])))
    if (ids.size === 0) return
    const remarks = new Set(book.remarks.map((remark) => remark.id))
    const at = new Map(
      changes.flatMap((change) =>
        change.type === 'position' && change.position ? [[change.id, change.position] as const] : [],
      ),
    )
    setMoves((before) => {
      const next = new Map(before && before.of === sheet ? before.boxes : noMoves)
      for (const [one, box] of boxesNow(ids)) next.set(one, { ...box, ...at.get(one) })
      return { of: sheet, boxes: next }
    })
    // The arrow keys move without a drag; what they did is kept when they rest.
    const resting = changes.every((change) => change.type !== 'position' || change.dragging === false)
    if (!resting) return
    clearTimeout(settle.current)
    settle.current = setTimeout(() => {
      for (const [one, { x, y }] of at)
        if (remarks.has(one)) edit({ kind: 'changeRemark', id: one, x: x / factor, y: y / factor })
      const cards = new Map([...movedNow.current].filter(([one]) => !remarks.has(one)))
      place(cards)
    }, 350)
  }
  const movedNow = useRef(moved)
  useEffect(() => {
    movedNow.current = moved
  }, [moved])

  const bows = useMemo(() => {
    if (!sheet) return []
    const all = trace
      ? [...trace.on, ...trace.of]
      : dependencies(book).filter(({ from, to }) => tableOfField(book, from) !== tableOfField(book, to))
    const drawn = [...new Set(all)].filter(({ kind }) => kind !== 'link' && (trace !== undefined || kinds.has(kind)))
    return bowsOf(drawn, sheet.cards, sheet.drawn.boxes, (one) => tableOfField(book, one))
  }, [sheet, trace, kinds, book])

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
    setNodes((before) => before.map((node) => (node.selected ? { ...node, selected: false } : node)))
  }
  useKeys({ Escape: letGo }, {})

  const choose = (table: string) => {
    setField(undefined)
    setNodes((before) => before.map((node) => ({ ...node, selected: node.id === table })))
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
        <div className="relative min-h-0 flex-1 bg-ash-1" data-laid={sheet && !busy ? 'yes' : 'no'}>
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
          <ReactFlow
            nodes={shown}
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
                remarks={book.remarks}
                moved={moved}
                showsLinks={kinds.has('link')}
                bows={moved.size > 0 ? [] : bows}
                near={near}
                chosen={chosen}
              />
            )}
            <Controls showInteractive={false} position="bottom-right" />
            {nodes.length > 30 && <MiniMap pannable zoomable position="bottom-left" ariaLabel="The whole map" />}
          </ReactFlow>
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

const everyKind: ReadonlySet<DependencyKind> = new Set(['link', 'borrowed', 'copied', 'gathered', 'workedOut', 'rule'])
