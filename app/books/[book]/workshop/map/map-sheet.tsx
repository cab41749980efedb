'use client'

import { useReactFlow } from '@xyflow/react'
import { useCallback, useDeferredValue, useState } from 'react'
import { findTable } from '@/core/book'
import { type Alignment, align, type MadeFromKind, madeFromKinds, type MapReading, spaceOut } from '@/core/map'
import { Room } from '@/ui/shell/room'
import { useKeys } from '@/ui/use-keys'
import { useWorkshop } from '../workshop-context'
import { ArrangeBar } from './arrange-bar'
import { MapCanvas } from './map-canvas'
import { MapMargin } from './map-margin'
import { MapTools } from './map-tools'
import { MapInWords } from './map-words'
import { SavePicture } from './save/save-picture'
import { TieDialog } from './tie-dialog'
import { useChosen } from './use-chosen'
import { useMap } from './use-map'
import { usePlace } from './use-place'
import { useTrace } from './use-trace'

/** The drawing with its tools, and what is said beside it. */
export function MapSheet() {
  const { id, book, edit } = useWorkshop()
  const { fitView } = useReactFlow()
  const [reading, setReading] = useState<MapReading>({ detail: 'fields', sense: 'office', view: 'links' })
  const [kinds, setKinds] = useState<ReadonlySet<MadeFromKind>>(new Set(madeFromKinds))
  const [lens, setLens] = useState(0)
  const [tying, setTying] = useState<readonly [string, string]>()
  const [saving, setSaving] = useState(false)
  const laid = useMap(id, book, reading, kinds)
  const { sheet, kept, again } = laid
  const { chosen, choose: chooseCard, boxesOf } = useChosen()
  // What is said of a card may come a little after it is marked: a card pressed follows the hand at once.
  const told = useDeferredValue(chosen)
  const place = usePlace(laid)
  const traced = useTrace(book, sheet, kinds)
  const { press } = traced

  const arrange = (how: Alignment | 'across' | 'down') => {
    const boxes = boxesOf(chosen)
    place(how === 'across' || how === 'down' ? spaceOut(boxes, how) : align(boxes, how))
  }
  const tidy = () => {
    if (book.tables.some(({ spot }) => spot && !spot.pinned)) edit({ kind: 'tidyMap' })
    again()
  }
  const release = () => {
    press(undefined)
    chooseCard(undefined)
  }
  useKeys({ Escape: release }, {})

  const choose = (table: string) => {
    press(undefined)
    chooseCard(table)
    void fitView({ nodes: [{ id: table }], maxZoom: 1, padding: 1.2, duration: 200 })
  }
  const pin = (pinned: boolean) => {
    const spots = Object.entries(kept(boxesOf(chosen))).map(([table, spot]) => ({ table, ...spot }))
    if (spots.length > 0) edit({ kind: 'pinTables', spots, pinned })
  }
  const tie = useCallback((a: string, b: string) => setTying([a, b]), [])
  const [from, to] = (tying ?? []).map((one) => findTable(book, one))
  return (
    <Room
      bare
      margin={
        <MapMargin
          sheet={sheet}
          chosen={told}
          traced={traced}
          kinds={kinds}
          onKinds={setKinds}
          onMadeFrom={() => setReading({ ...reading, view: 'made-from' })}
          onChoose={choose}
          onTie={tie}
        />
      }
    >
      <div className="flex h-full flex-col">
        <MapTools
          book={book}
          reading={reading}
          onReading={setReading}
          lens={lens}
          onLens={setLens}
          onFind={choose}
          onTidy={tidy}
          onSave={() => setSaving(true)}
        />
        <div className="relative min-h-0 flex-1 bg-ash-1">
          {!sheet && <p className="absolute inset-0 flex items-center justify-center text-ash-6">Drawing the map …</p>}
          {told.size > 0 && (
            <ArrangeBar
              count={told.size}
              pinned={[...told].every((one) => findTable(book, one)?.spot?.pinned)}
              onArrange={arrange}
              onPin={pin}
              tables={[...told]}
            />
          )}
          <MapCanvas laid={laid} chosen={chosen} lens={lens} traced={traced} onTie={tie} />
          {sheet && <MapInWords book={book} lines={sheet.lines} />}
        </div>
      </div>
      {from && to && <TieDialog a={from} b={to} onClose={() => setTying(undefined)} />}
      {saving && sheet && <SavePicture sheet={sheet} lit={traced.lit} onClose={() => setSaving(false)} />}
    </Room>
  )
}
